<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\ClosedTime;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\TestDefinition;

/** The one reading of a person: postures, each once. */
final class ReadPoses
{
    /** @var array<string, PoseReading> */
    private array $read = [];
    /** @var array<string, FormReading|null> */
    private array $forms = [];
    /** @var array<string, true> those that are being read: what asks in a circle is not met */
    private array $asking = [];
    /** @var list<Ability>|null */
    private ?array $isolated = null;
    /** @var array<string, self|null> by moment */
    private array $before = [];

    /**
     * @param array<string, PostureDefinition> $postures by id
     * @param array<string, TestDefinition> $tests by id, in the taught order
     */
    public function __construct(
        public readonly array $postures,
        public readonly Snapshot $person,
        public readonly array $tests = [],
    ) {
    }

    public function of(string $id, Side $side): PoseReading
    {
        $key = "$id $side->value";
        if (isset($this->read[$key])) {
            return $this->read[$key];
        }
        $posture = $this->postures[$id];
        $below = $posture->rungs;
        $full = $this->rung($posture, array_pop($below), $side);

        return $this->read[$key] = new PoseReading(
            $posture,
            $side,
            $this->person,
            $full,
            fn (): array => [
                ...array_map(fn (RungDefinition $rung): RungReading => $this->rung($posture, $rung, $side), $below),
                $full,
            ],
            fn (array $rungs): LadderPosition => LadderPosition::of(
                $posture,
                $rungs,
                $this->person,
                $side,
                $this->canBeMeasured($side),
                fn (\DateTimeImmutable $moment): ?LadderPosition => $this->before($moment)?->of($id, $side)->onLadder(),
            ),
        );
    }

    /**
     * When rungs of a ladder were held on a side.
     *
     * @return list<ClosedTime>
     */
    public function closed(string $id, Side $side): array
    {
        $rungs = $this->of($id, $side)->rungs();

        return $this->person->closed($id, $side, RungReading::works($rungs), $rungs[0]->isolated);
    }

    /** The reading of the same person just before a moment; null when nobody knows. */
    private function before(\DateTimeImmutable $moment): ?self
    {
        $key = $moment->format('c u');
        if (!array_key_exists($key, $this->before)) {
            $person = $this->person->before($moment);
            $this->before[$key] = null === $person ? null : $this->with($person);
        }

        return $this->before[$key];
    }

    /** A form beside a rung, with what closes it: what it asks itself, and what has to be passed before that rung. */
    public function form(string $id, string $form, Side $side): ?FormReading
    {
        foreach ($this->postures[$id]->forms as $beside => $forms) {
            foreach ($forms as $one) {
                if ($one->id === $form) {
                    $reading = $this->rung($this->postures[$id], $one, $side);

                    return new FormReading($reading, [
                        ...LadderPosition::bars($reading, $this->canBeMeasured($side)),
                        ...$this->of($id, $side)->onLadder()->below($beside),
                    ]);
                }
            }
        }

        return null;
    }

    /** A rung of a ladder or a form beside one, with what closes it; null when there is none of that name. */
    public function shape(string $id, string $shape, Side $side): ?FormReading
    {
        $key = "$id $shape $side->value";
        if (!array_key_exists($key, $this->forms)) {
            $pose = $this->of($id, $side);
            $rung = $pose->rung($shape);
            $this->forms[$key] = null === $rung
                ? $this->form($id, $shape, $side)
                : new FormReading($rung, $pose->onLadder()->closing($shape));
        }

        return $this->forms[$key];
    }

    /** A pose needs both sides: the worse of the two. */
    public function state(string $id): State
    {
        return $this->of($id, Side::Left)
            ->state()
            ->worse($this->of($id, Side::Right)->state());
    }

    /**
     * The tests that would settle an ability for a rung: one that reads it exactly, or a lower bound that
     * nobody has taken yet; nothing holds it, and it has not just been read.
     *
     * @return list<TestDefinition>
     */
    public function settling(Ability $ability, RungReading $rung, Side $side): array
    {
        return array_values(
            array_filter($this->tests, function (TestDefinition $test) use ($ability, $rung, $side): bool {
                $proves = $test->shows($ability);
                if (
                    null === $proves
                    || !$test->isMeasured()
                    || !May::take($this->person->holds, $test, $side)->isYes()
                ) {
                    return false;
                }
                $taken = $this->person->newest($test->id, $side);
                $isTaken =
                    null !== $taken
                    && $taken->isClean()
                    && (null === $rung->since || $rung->since->isBefore($taken->on, $taken->at));

                return Bound::Exact === $proves ? !$isTaken || $this->isAtCeiling($test, $ability, $side) : !$isTaken;
            }),
        );
    }

    /** The test that isolates an ability and tells most of it; null when none does. */
    public function isolating(Ability $ability): ?TestDefinition
    {
        $best = null;
        foreach ($this->tests as $test) {
            if (
                $test->isMeasured()
                && Bound::Exact === $test->shows($ability)
                && (null === $best || $test->rank() < $best->rank())
            ) {
                $best = $test;
            }
        }

        return $best;
    }

    /** The same postures for the same person with something changed. */
    public function with(Snapshot $person): self
    {
        return new self($this->postures, $person, $this->tests);
    }

    /** Whether the test was at its end when it was read, so that going beyond it tells more. */
    public function isAtCeiling(TestDefinition $test, Ability $ability, Side $side): bool
    {
        foreach ($this->person->evidence[$side->value] as $e) {
            if ($e->test === $test->id && $e->ability === $ability && Bound::AtLeast === $e->bound) {
                return $test->goesBeyond;
            }
        }

        return false;
    }

    /** Null where there is no such posture, or where it asks in a circle. */
    private function stateOf(string $first, Side $side): ?State
    {
        return isset($this->postures[$first]) && !isset($this->asking["$first $side->value"])
            ? $this->of($first, $side)->state()
            : null;
    }

    /** @return list<Ability> those that some test isolates */
    private function isolated(): array
    {
        return $this->isolated ??= array_values(
            array_filter(Ability::cases(), fn (Ability $ability): bool => null !== $this->isolating($ability)),
        );
    }

    private function rung(PostureDefinition $posture, RungDefinition $rung, Side $side): RungReading
    {
        $key = "$posture->id $side->value";
        $isAsking = isset($this->asking[$key]);
        $this->asking[$key] = true;
        $reading = RungReading::of(
            $posture,
            $rung,
            $this->person,
            $side,
            $this->isolated(),
            fn (string $first): ?State => $this->stateOf($first, $side),
        );
        if (!$isAsking) {
            unset($this->asking[$key]);
        }

        return $reading;
    }

    /** @return \Closure(AbilityMargin, RungReading): bool */
    private function canBeMeasured(Side $side): \Closure
    {
        return fn (
            AbilityMargin $margin,
            RungReading $rung,
        ): bool => [] !== $this->settling($margin->ability, $rung, $margin->leg($side));
    }
}
