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
        // One that is as good as sure takes no part: what is left is often one alone.
        $margins = array_values(array_filter($margins, static fn (AbilityMargin $margin): bool => $margin->difference() < self::SURE * $margin->error || $margin->difference() <= 0.0));
        if ([] === $margins) {
            return 1.0;
        }
        foreach ($margins as $margin) {
            if ($margin->difference() < -self::SURE * $margin->error || 1 === count($margins)) {
                return self::positive($margin->difference(), $margin->error);
            }
        }
        [$steps, $sources] = self::steps($margins, $body);
        $draws = self::draws($sources);
        $at = array_map(static fn (AbilityMargin $margin): float => $margin->difference(), $margins);
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

    /** The chance that a figure with this error (one SD) is above zero. */
    public static function positive(float $value, float $sd): float
    {
        if ($sd <= 0.0) {
            return $value > 0.0 ? 1.0 : 0.0;
        }

        return Normal::below($value / $sd);
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
                $steps[$i][$place["body $segment"] ??= count($place)] = Uncertainty::moved($slope, $body->sd(Segment::from($segment)));
            }
            foreach ($margin->uncertainty->toReading as $reading => $moved) {
                $steps[$i][$place["reading $reading"] ??= count($place)] = $moved;
            }
        }

        return [array_values($steps), count($place)];
    }
}
