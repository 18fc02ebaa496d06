<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Permission;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Testing\Ability;
use LucidAscent\Core\Testing\Bound;

/** One rung against what one side can do. */
final readonly class RungReading
{
    /**
     * @param list<AbilityMargin> $margins
     * @param list<Condition> $heldBy
     * @param Posture|null $posture what the leg chain was asked; null where thresholds said it
     * @param LegPose|null $pose the leg as the rung asks for it
     * @param bool $isImpossible whether a body of these lengths cannot be there at all
     */
    private function __construct(
        public RungDefinition $rung,
        public array $margins,
        public array $heldBy,
        public ?Posture $posture,
        public ?LegPose $pose,
        public bool $isImpossible,
    ) {
    }

    /**
     * Where a knee is free, the posture asks for the point that suits the person best. What was shown
     * may suffice there; when it does not, what is short has to be short even if everything that is
     * known as a lower bound goes further.
     */
    public static function of(PostureDefinition $posture, RungDefinition $rung, KnownPerson $person, Side $side): self
    {
        $shown = self::at($posture, $rung, $person, $side, $person->capacities($side)->ofLeg());

        return $shown->posture instanceof FreeKnee && !$shown->stateOfMargins()->isInReach()
            ? self::at($posture, $rung, $person, $side, $person->capacities($side)->limitsOfLeg())
            : $shown;
    }

    private static function at(PostureDefinition $posture, RungDefinition $rung, KnownPerson $person, Side $side, Capacity $capacity): self
    {
        $heldBy = Permission::of($person->conditions($side), $rung->loads, $rung->isGentle)->because;
        $margins = [];
        foreach ($rung->thresholds as $name => $least) {
            $margins[] = self::margin(Ability::from($name), $least, Uncertainty::none(), $person, $side);
        }
        if (null === $rung->demand) {
            return new self($rung, $margins, $heldBy, null, null, false);
        }
        try {
            $asked = $rung->demand->posture($capacity, $person->proportions->stature->cm);
            $body = $person->proportions->body($side);
            $pose = $asked instanceof ChainReading ? $asked->pose($body) : null;
            $angles = null === $pose ? $asked->angles($body) : $pose->angles->toArray();
            $fixed = $asked instanceof FreeKnee && null !== $pose ? $asked->held($pose, $body) : $asked;
            // The props of a rung are set, not read: they carry no error.
            $sensitivity = Sensitivity::of($fixed, $body)->withReadingErrors(array_map(static fn (): float => 0.0, $fixed->readingErrors()));
        } catch (\DomainException) {
            return new self($rung, $margins, $heldBy, null, null, true);
        }
        foreach ($angles as $name => $degrees) {
            $component = Component::from($name);
            [$ability, $sign] = $rung->demand->ability($component) ?? [null, 1.0];
            if (null !== $ability && self::counts($ability, $posture, $person, $side)) {
                $margins[] = self::margin($ability, $sign * $degrees, $sensitivity->uncertainty($component)->times($sign), $person, $side);
            }
        }

        return new self($rung, $margins, $heldBy, $asked, $pose, false);
    }

    /** Held, short, unknown, near, open: the worst of its margins. */
    public function state(): State
    {
        return [] === $this->heldBy ? $this->stateOfMargins() : State::Held;
    }

    /** As the numbers have it, whatever holds it. */
    public function stateOfMargins(): State
    {
        if ($this->isImpossible) {
            return State::Unknown;
        }
        $worst = State::Open;
        foreach ($this->margins as $margin) {
            $worst = $worst->worse($margin->state());
        }

        return $worst;
    }

    /** The margin that decides the state: of those in the worst state the one furthest behind, in units of its own noise. */
    public function limiter(): ?AbilityMargin
    {
        $sorted = $this->byWeight();

        return $sorted[0] ?? null;
    }

    /** @return list<AbilityMargin> the one that decides first */
    public function byWeight(): array
    {
        $sorted = $this->margins;
        usort($sorted, static fn (AbilityMargin $a, AbilityMargin $b): int => [self::noises($a)] <=> [self::noises($b)]);
        // A stable sort: within a state the order of the noises stays.
        usort($sorted, static fn (AbilityMargin $a, AbilityMargin $b): int => $b->state()->compare($a->state()));

        return $sorted;
    }

    /** The posture's own abilities count; others only where a shortage is known for sure. */
    private static function counts(Ability $ability, PostureDefinition $posture, KnownPerson $person, Side $side): bool
    {
        return in_array($ability, $posture->abilities, true) || Bound::Exact === $person->capacities($side)->get($ability)?->bound;
    }

    private static function noises(AbilityMargin $margin): float
    {
        return $margin->difference() / max(1e-6, $margin->error);
    }

    private static function margin(Ability $ability, float $asked, Uncertainty $demand, KnownPerson $person, Side $side): AbilityMargin
    {
        $capacity = $person->capacities($side)->get($ability);

        return AbilityMargin::of($ability, $capacity, $asked, $demand, $person->proportions->error($side), $person->proportions, $person->isTooOld($capacity?->on()));
    }
}
