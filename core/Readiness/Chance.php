<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\LegChain\Uncertainty;
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
        if (1 === count($margins)) {
            return self::positive($margins[0]->difference(), $margins[0]->error);
        }
        [$steps, $sources] = self::steps($margins, $body);
        $random = new Randomizer(new Xoshiro256StarStar(self::SEED));
        $positive = 0;
        for ($draw = 0; $draw < self::DRAWS; ++$draw) {
            $at = array_map(static fn (AbilityMargin $margin): float => $margin->difference(), $margins);
            for ($source = 0; $source < $sources; ++$source) {
                $z = self::normal($random);
                foreach ($steps as $i => $moved) {
                    $at[$i] += $z * ($moved[$source] ?? 0.0);
                }
            }
            $positive += min($at) > 0.0 ? 1 : 0;
        }

        return $positive / self::DRAWS;
    }

    /** The chance that a figure with this error (one SD) is above zero. */
    public static function positive(float $value, float $sd): float
    {
        if ($sd <= 0.0) {
            return $value > 0.0 ? 1.0 : 0.0;
        }

        return self::cumulative($value / $sd);
    }

    /** Of the standard normal distribution: Abramowitz & Stegun (1964) 7.1.26, good to 1.5e-7. */
    public static function cumulative(float $z): float
    {
        $x = abs($z) / M_SQRT2;
        $t = 1 / (1 + 0.3275911 * $x);
        $erf = 1 - ((((1.061405429 * $t - 1.453152027) * $t + 1.421413741) * $t - 0.284496736) * $t + 0.254829592) * $t * exp(-$x * $x);

        return $z >= 0.0 ? (1 + $erf) / 2 : (1 - $erf) / 2;
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

    /** A draw from the standard normal distribution (Box & Muller, 1958). */
    private static function normal(Randomizer $random): float
    {
        return sqrt(-2 * log($random->getInt(1, 1 << 30) / (1 << 30))) * cos(2 * M_PI * $random->getInt(1, 1 << 30) / (1 << 30));
    }
}
