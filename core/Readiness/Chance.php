<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Statistics\Normal;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * The chance that every margin is positive. Margins go together where they rest on the same reading
 * or on the same length of the body, so body and readings are drawn once for all of them; one margin
 * alone has a closed form.
 */
final class Chance
{
    private const DRAWS = 4000;
    private const SEED = 20051;
    /** So many of its errors from nothing a margin is taken as sure: one in thirty thousand is otherwise. */
    private const SURE = 4.0;
    /** Margins that err alike and are no further apart than this, in their unit, are one. */
    private const ALIKE = 0.02;

    private static ?Randomizer $random = null;
    /** @var list<list<float>> */
    private static array $draws = [];

    /**
     * @param list<AbilityMargin> $margins
     *
     * @return float|null null unless each is known exactly, or at least enough
     */
    public static function allPositive(array $margins, BodyError $body): ?float
    {
        foreach ($margins as $margin) {
            if (!$margin->isSettled()) {
                return null;
            }
        }
        if ([] === $margins) {
            return null;
        }
        $margins = array_map(self::byIsolating(...), $margins);
        // One that is as good as sure takes no part: what is left is often one alone.
        $margins = array_values(
            array_filter(
                $margins,
                static fn (AbilityMargin $margin): bool => $margin->difference() < self::SURE * $margin->error
                    || $margin->difference() <= 0.0,
            ),
        );
        if ([] === $margins) {
            return 1.0;
        }
        foreach ($margins as $margin) {
            if ($margin->difference() < -self::SURE * $margin->error || 1 === count($margins)) {
                return self::positive($margin->difference(), $margin->error);
            }
        }
        [$steps, $sources] = self::steps($margins, $body);
        $at = array_map(static fn (AbilityMargin $margin): float => $margin->difference(), $margins);
        [$at, $steps] = self::once($at, $steps);
        if (count($at) < 3 && null !== ($both = self::ofTwo($at, $steps))) {
            return $both;
        }
        $draws = self::draws($sources);
        $positive = 0;
        for ($draw = 0; $draw < self::DRAWS; ++$draw) {
            foreach ($at as $i => $here) {
                foreach ($steps[$i] as $source => $moved) {
                    $here += $moved * $draws[$source][$draw];
                }
                if ($here <= 0.0) {
                    continue 2;
                }
            }
            ++$positive;
        }

        return $positive / self::DRAWS;
    }

    /**
     * A margin that is not settled, as far as the isolating tests alone say: where an exact reading was raised to the
     * highest of several lower bounds, that one is more likely too high than not.
     */
    private static function byIsolating(AbilityMargin $margin): AbilityMargin
    {
        $raised = $margin->capacity;
        $exact = $raised?->isolating();
        if (null === $raised || null === $exact || $exact === $raised || State::Open === $margin->state()) {
            return $margin;
        }

        $turn = $margin->ability->turn();

        // A block under the hands is shown as a bend: of that a height says nothing straight away.
        return abs((float) $margin->shown - $turn * $raised->value) > self::ALIKE
            ? $margin
            : $margin->shifted(
                $turn * ($exact->value - $raised->value),
                $raised->error > 0.0 ? $exact->error / $raised->error : 1.0,
            );
    }

    /** The chance that a figure with this error (one SD) is above zero. */
    public static function positive(float $value, float $sd): float
    {
        if ($sd <= 0.0) {
            return $value > 0.0 ? 1.0 : 0.0;
        }

        return Normal::below($value / $sd);
    }

    /**
     * Each margin once: two between which a free knee trades are one.
     *
     * @param list<float> $at
     * @param list<array<int, float>> $steps
     *
     * @return array{list<float>, list<array<int, float>>}
     */
    private static function once(array $at, array $steps): array
    {
        $kept = [];
        foreach ($at as $i => $here) {
            foreach ($kept as $k) {
                if (abs($here - $at[$k]) < self::ALIKE && $steps[$i] === $steps[$k]) {
                    continue 2;
                }
            }
            $kept[] = $i;
        }

        return [
            array_map(static fn (int $i): float => $at[$i], $kept),
            array_map(static fn (int $i): array => $steps[$i], $kept),
        ];
    }

    /**
     * One margin, or two, have a closed form.
     *
     * @param list<float> $at
     * @param list<array<int, float>> $steps
     */
    private static function ofTwo(array $at, array $steps): ?float
    {
        $sd = array_map(
            static fn (array $moved): float => sqrt(
                array_sum(array_map(static fn (float $one): float => $one * $one, $moved)),
            ),
            $steps,
        );
        if (1 === count($at)) {
            return self::positive($at[0], $sd[0]);
        }
        if ($sd[0] <= 0.0 || $sd[1] <= 0.0) {
            return null;
        }
        $shared = 0.0;
        foreach ($steps[0] as $source => $moved) {
            $shared += $moved * ($steps[1][$source] ?? 0.0);
        }
        $correlation = $shared / ($sd[0] * $sd[1]);

        return abs($correlation) > Normal::TOGETHER
            ? null
            : Normal::bothBelow($at[0] / $sd[0], $at[1] / $sd[1], $correlation);
    }

    /**
     * The same for every question, so that the same question has the same answer; drawn once.
     *
     * @return list<list<float>> by source
     */
    private static function draws(int $sources): array
    {
        self::$random ??= new Randomizer(new Xoshiro256StarStar(self::SEED));
        while (count(self::$draws) < $sources) {
            $draws = [];
            for ($draw = 0; $draw < self::DRAWS; ++$draw) {
                $draws[] = Normal::draw(self::$random);
            }
            self::$draws[] = $draws;
        }

        return self::$draws;
    }

    /**
     * How far one SD of each source moves each margin.
     *
     * @param list<AbilityMargin> $margins
     *
     * @return array{list<array<int, float>>, int}
     */
    private static function steps(array $margins, BodyError $body): array
    {
        $place = [];
        $steps = [];
        foreach ($margins as $i => $margin) {
            $steps[$i] = [];
            foreach ($margin->uncertainty->toBody as $segment => $slope) {
                $steps[$i][$place["body $segment"] ??= count($place)] = Uncertainty::moved(
                    $slope,
                    $body->sd(Segment::from($segment)),
                );
            }
            foreach ($margin->uncertainty->toReading as $reading => $moved) {
                $steps[$i][$place["reading $reading"] ??= count($place)] = $moved;
            }
        }

        return [array_values($steps), count($place)];
    }
}
