<?php

declare(strict_types=1);

namespace LucidAscent\Core\Calibration;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\NearVertical;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Statistics\Normal;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Core\Testing\TrialCheck;
use Random\Randomizer;

/**
 * One afternoon with somebody made up: a test that is asked for is taken, and always reads the same of her that day.
 */
final class Visit
{
    /** Which number follows from what she can do, and what is set up besides (cm), where a test reads more than one. */
    private const READS = [
        'legs-up-wall' => ['heelHeight', ['gap' => 10.0]],
        'knee-hug' => ['kneeHeight', []],
        'soles-together' => ['kneeHeight', []],
        'figure-four-lying' => ['kneeHeight', ['ankleHeight' => 38.0]],
        'figure-four-seated' => ['kneeHeight', ['ankleHeight' => 36.0]],
        'leg-cradle' => ['kneeHeight', ['ankleHeight' => 38.0]],
        self::RAISED => ['kneeHeight', ['ankleHeight' => 10.0]],
        'cow-face-knees' => ['kneeHeight', ['heelAhead' => 4.0]],
        'planted-hip' => ['boneHeight', ['heelDistance' => 25.0, 'tuck' => 15.0]],
        'deep-squat' => ['hipHeight', ['kneeHeight' => 45.0, 'tuck' => 10.0]],
    ];
    /** Where the knee comes to rest on the foot below it, and the ankle is laid higher until it hangs. */
    private const RAISED = 'shins-stacked';
    /** How much higher the ankle is laid when the knee has come to rest, and how high at most, in cm. */
    private const HIGHER = 10.0;
    private const HIGHEST = 40.0;
    /** The turn of a level shin, in degrees: with less of it the knee stays above its ankle. */
    private const LEVEL = 90.0;
    /** How often the ankle is not raised at once, so that the test is asked for again. */
    private const LEFT_RESTING = 0.3;
    /** What somebody shows in the cradle of what the hip could do, from here to all of it. */
    private const SHOWN = 0.85;

    /** @var array<string, list<TakenTest>> by test, side and how often it was asked for */
    private array $taken = [];

    public readonly Proportions $measured;

    /** @var array<string, TestDefinition> by id, those too that were laid aside */
    private readonly array $definitions;

    /** @param array<string, TestDefinition> $tests by id */
    public function __construct(
        public readonly TrueBody $true,
        private array $tests,
        private readonly ToolErrors $tools,
        private readonly \DateTimeImmutable $on,
        private readonly Randomizer $random,
    ) {
        $this->definitions = $tests;
        $this->measured = People::asMeasured($true->proportions, $random);
    }

    /**
     * @return list<TakenTest> of both sides where they are taken together; none where it cannot be taken of this body,
     *     and is laid aside
     */
    public function take(TestDefinition $test, Side $side, int $time = 0): array
    {
        $taken = $this->taken["$test->id $side->value $time"] ??= $this->reading($test, $side, $time);
        if ([] === $taken) {
            unset($this->tests[$test->id]);
        }

        return $taken;
    }

    /**
     * What is known of her after some tests.
     *
     * @param list<TakenTest> $taken
     * @param array<string, PostureDefinition> $postures
     */
    public function read(array $taken, array $postures): ReadPoses
    {
        return new ReadPoses(
            $postures,
            new Snapshot(
                $this->measured,
                $this->evidence($taken),
                Holds::none(),
                $taken,
                $this->on,
                tools: $this->tools,
            ),
            $this->tests,
        );
    }

    /** @return list<TakenTest> */
    private function reading(TestDefinition $test, Side $side, int $time): array
    {
        [$free, $fixed] = self::READS[$test->id] ?? [(string) array_key_first($test->measured), []];
        $exact = array_keys(array_filter($test->proves, static fn (Bound $bound): bool => Bound::Exact === $bound));
        $shows = Ability::from($exact[0] ?? (string) array_key_first($test->proves));
        // Both sides together go as far as the one that can do less.
        $of =
            $test->bothSides
            || $shows->compare($this->true->can($side, $shows), $this->true->can($side->opposite(), $shows)) < 0
                ? $side
                : $side->opposite();
        // Near the vertical a height says little of an angle, and past it the same as before it: there the angle itself
        // is read.
        if (
            $test->formula->takesAngle()
            && $this->true->can($of, $shows) > 90.0 - NearVertical::WITHIN
            && (!isset($test->measured['past']) || $this->true->can($of, $shows) < 90.0 + NearVertical::WITHIN)
        ) {
            $free = 'angle';
        }
        [$numbers, $resting] = $this->ofLeg($test, $of, $fixed, $free, $shows, $time);
        if (null === $numbers) {
            return [];
        }
        if ('angle' === $free && Bound::Exact !== $test->shows($shows)) {
            $numbers[$free] *= self::SHOWN + (1.0 - self::SHOWN) * Normal::share($this->random);
        }
        $tool = match ($test->measured[$free] ?? 'degrees') {
            'degrees' => Tool::Inclinometer,
            'seconds' => Tool::Stopwatch,
            default => Tool::Tape,
        };
        $units = array_filter(
            array_intersect_key($test->measured + ['angle' => 'degrees'], $numbers),
            static fn (string $unit): bool => 'yes or no' !== $unit,
        );
        $trials = Trials::of(
            $numbers,
            $units,
            array_map(fn (string $unit): float => $this->tools->sd($tool, $unit), $units),
            $test->leastTrials,
            $this->random,
        );
        // No tape shows less than it can.
        foreach ($trials as $i => $trial) {
            foreach ($trial as $name => $value) {
                $trials[$i][$name] = max(TrialCheck::range($test, $name)[0], $value);
            }
        }
        $taken = array_map(
            fn (Side $one): TakenTest => new TakenTest(
                $test->id,
                $one,
                $tool,
                $trials,
                on: $this->on,
                resting: $resting,
            ),
            $test->bothSides ? [$side] : Side::cases(),
        );
        try {
            $this->evidence($taken);
        } catch (\DomainException) {
            return [];
        }

        return $taken;
    }

    /**
     * A leg that is read; where its knee comes to rest, the ankle is laid higher until it hangs.
     *
     * @param array<string, float> $fixed
     *
     * @return array{array<string, float>|null, bool|null} the numbers, none where no leg can be so, and whether it
     *     rests
     */
    private function ofLeg(
        TestDefinition $test,
        Side $side,
        array $fixed,
        string $free,
        Ability $shows,
        int $time,
    ): array {
        if (in_array('past', array_keys($test->measured), true)) {
            $fixed['past'] = $this->true->can($side, $shows) > 90.0 ? 1.0 : 0.0;
        }
        if (self::RAISED !== $test->id) {
            return [$this->true->numbers($test, $side, $fixed, $free, $shows), null];
        }
        $isLeft = 0 === $time && Normal::share($this->random) < self::LEFT_RESTING;
        // The top knee comes down to the foot below it; with the ankle higher it hangs beneath its ankle, free of that
        // foot.
        $rest = max(LegChain::HALF_KNEE, $fixed['ankleHeight']);
        for ($ankle = $fixed['ankleHeight'];; $ankle += self::HIGHER) {
            $numbers = $this->true->numbers($test, $side, ['ankleHeight' => $ankle] + $fixed, $free, $shows);
            if (null === $numbers && $this->true->can($side, $shows) < self::LEVEL) {
                return [null, null];
            }
            if (null !== $numbers && $numbers[$free] > $rest) {
                return [$numbers, false];
            }
            if ($isLeft || $ankle + self::HIGHER > self::HIGHEST) {
                return [[...$fixed, 'ankleHeight' => $ankle, $free => $rest], true];
            }
        }
    }

    /**
     * @param list<TakenTest> $taken
     *
     * @return array{left: list<Evidence>, right: list<Evidence>}
     */
    private function evidence(array $taken): array
    {
        $evidence = ['left' => [], 'right' => []];
        foreach ($taken as $one) {
            array_push(
                $evidence[$one->side->value],
                ...ReadTest::evidence(
                    $this->definitions[$one->test],
                    $one,
                    $this->measured->body($one->side),
                    $this->tools,
                ),
            );
        }

        return $evidence;
    }
}
