<?php

declare(strict_types=1);

namespace LucidAscent\Core\Calibration;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Readiness\AbilityMargin;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Route\NextReading;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\SmallestChange;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\ToolErrors;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * The judgement put to the test: people of whom the truth is known are measured with tools that err as they are said
 * to, read as anybody is read, and what is said of them is held against the truth. It proves how sure the verdicts may
 * be of themselves. It cannot prove the leg chain: the truth is worked out by the same one.
 */
final readonly class Calibrate
{
    /** No visit goes on for longer. */
    private const MOST = 120;
    /** Of so many people one is measured in the taught order, too: it takes long. */
    private const IN_ORDER = 10;
    private const DAY = '2026-03-02';

    /**
     * @param array<string, TestDefinition> $tests by id, in the taught order
     * @param array<string, PostureDefinition> $postures by id
     * @param non-empty-list<string> $wanted the poses that people come for
     */
    public function __construct(private array $tests, private array $postures, private array $wanted)
    {
    }

    /**
     * @param int $people at least one
     * @param \Closure(): void|null $done is called after each of them
     */
    public function run(int $people, int $seed, ?\Closure $done = null): Calibration
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $all = new Tally();
        $asked = new Tally();
        $proposed = $inOrder = [];
        for ($i = 0; $i < $people; ++$i) {
            $visit = new Visit(
                People::draw($random),
                $this->tests,
                ToolErrors::usual(),
                new \DateTimeImmutable(self::DAY),
                $random,
            );
            $truth = $this->truth($visit->true);
            $wanted = $this->wanted[$random->getInt(0, count($this->wanted) - 1)];

            [$many, $poses] = $this->proposed($visit, $wanted);
            $this->compare($wanted, $poses, $truth, $asked);
            if (0 === $i % self::IN_ORDER) {
                $proposed[] = $many;
                $inOrder[] = $this->inOrder($visit, $wanted);
            }

            $poses = $visit->read($this->everything($visit), $this->postures);
            foreach (array_keys($this->postures) as $id) {
                $this->compare($id, $poses, $truth, $all);
            }
            $this->intervals($poses, $visit->true, $all);
            if (null !== $done) {
                $done();
            }
        }

        return new Calibration($people, $seed, $all, $asked, $proposed, $inOrder);
    }

    /** All that she can do, known exactly, of a body that is known exactly. */
    private function truth(TrueBody $true): ReadPoses
    {
        $of = static fn (Side $side): array => array_map(
            static fn (string $name): Evidence => new Evidence(
                Ability::from($name),
                $true->can($side, Ability::from($name)),
                Bound::Exact,
                Uncertainty::none(),
                'truth',
            ),
            array_keys($true->abilities[$side->value]),
        );
        $evidence = ['left' => $of(Side::Left), 'right' => $of(Side::Right)];

        return new ReadPoses(
            $this->postures,
            new Snapshot($true->proportions, $evidence, Holds::none(), [], new \DateTimeImmutable(self::DAY)),
            $this->tests,
        );
    }

    /** @return list<TakenTest> */
    private function everything(Visit $visit): array
    {
        $taken = [];
        foreach ($this->readings() as [$test, $side]) {
            array_push($taken, ...$visit->take($test, $side));
        }

        return $taken;
    }

    /** @return list<array{TestDefinition, Side}> every reading that there is, in the taught order */
    private function readings(): array
    {
        $readings = [];
        foreach ($this->tests as $test) {
            foreach ($test->isMeasured() ? ($test->bothSides ? Side::cases() : [Side::Left]) : [] as $side) {
                $readings[] = [$test, $side];
            }
        }

        return $readings;
    }

    private function compare(string $id, ReadPoses $poses, ReadPoses $truth, Tally $tally): void
    {
        foreach (Side::cases() as $side) {
            $full = $poses->of($id, $side)->full();
            $true = $truth->of($id, $side)->full();
            // Gates are asked of the person, and not reckoned: what is compared is what the numbers say.
            $isSo =
                !$true->isImpossible
                && [] ===
                    array_filter(
                        $true->margins,
                        static fn (AbilityMargin $margin): bool => $margin->difference() < 0.0,
                    );
            $tally->verdict(
                $full->stateOfMargins(),
                $isSo,
                $full->chance($poses->person->proportions->error($side)),
            );
        }
    }

    private function intervals(ReadPoses $poses, TrueBody $true, Tally $tally): void
    {
        foreach (Side::cases() as $side) {
            foreach ($poses->person->capacities($side)->known as $capacity) {
                if (Bound::Exact === $capacity->bound) {
                    $tally->interval(
                        $capacity->ability->value,
                        abs($capacity->value - $true->can($side, $capacity->ability)) <=
                            SmallestChange::between($capacity->error),
                    );
                }
            }
        }
    }

    /** @return array{int, ReadPoses} how many readings until nothing more is worth measuring, and what is known then */
    private function proposed(Visit $visit, string $wanted): array
    {
        $taken = $times = [];
        for ($many = 0; $many < self::MOST; ++$many) {
            $poses = $visit->read($taken, $this->postures);
            $next = self::next($wanted, $poses);
            if (null === $next) {
                return [$many, $poses];
            }
            [$test, $side] = $next;
            $time = $times["$test->id $side->value"] ?? 0;
            array_unshift($taken, ...$visit->take($test, $side, $time));
            $times["$test->id $side->value"] = $time + 1;
        }
        throw new \LogicException(sprintf('%s is never settled.', $wanted));
    }

    /** How many readings until then, one test after the other as they are taught. */
    private function inOrder(Visit $visit, string $wanted): int
    {
        $taken = [];
        $many = 0;
        foreach ([0, 1] as $time) {
            foreach ($this->readings() as [$test, $side]) {
                if (null === self::next($wanted, $visit->read($taken, $this->postures))) {
                    return $many;
                }
                array_unshift($taken, ...$visit->take($test, $side, $time));
                ++$many;
            }
        }

        return $many;
    }

    /**
     * @return array{TestDefinition, Side}|null the reading that is worth most; null where none is: a gate is asked, and
     *     not measured
     */
    private static function next(string $wanted, ReadPoses $poses): ?array
    {
        $next = NextReading::of([$wanted], $poses);

        return null === $next?->test || $next->isGate ? null : [$next->test, $next->side];
    }
}
