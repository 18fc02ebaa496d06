<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\Statistics\LeastSquares;
use LucidAscent\Core\Statistics\Normal;

/**
 * A level that changed from one reading to the next, beside whatever the trend does: after a break, an injury, a new
 * drill. Every place that has readings enough on both sides is tried, and the chance of such a step by accident is held
 * at five in a hundred for all of them together (Bonferroni).
 */
final readonly class Step
{
    private const SIDES = 3;
    private const ACCIDENT = 0.015;
    /** So many places at most are tried: the longest breaks, then evenly. */
    private const PLACES = 40;
    /** Of them so many are looked at under other suppositions about the noise. */
    private const LIKELY = 6;
    /** Suppositions that explain less than this share are passed over. */
    private const LEAST_WEIGHT = 0.02;

    /**
     * @param float $after the day of the first reading after it
     * @param float $size in the series' unit
     */
    private function __construct(public float $after, public float $size)
    {
    }

    public static function of(Trend $trend): ?self
    {
        $places = self::places($trend->days);
        $count = count($trend->days);
        $middle = array_sum($trend->days) / max(1, $count);
        $columns = [
            $trend->values,
            array_fill(0, $count, 1.0),
            array_map(static fn (float $day): float => $day - $middle, $trend->days),
        ];
        // A step looks like noise that lasts: how large that is, is judged with the likeliest step allowed for.
        $likely = self::likely($trend, $places, $columns[2]);
        $steps = array_map(
            static fn (int $i): array => [
                ...array_fill(0, $places[$i], 0.0),
                ...array_fill(0, $count - $places[$i], 1.0),
            ],
            $likely,
        );
        $weighed =
            [] === $likely
                ? []
                : Trend::weighed($trend->days, $trend->variances, $trend->typical, [...$columns, $steps[0]]);
        if ([] === $weighed) {
            return null;
        }
        $z = array_fill(0, count($likely), 0.0);
        $sizes = [];
        foreach ($weighed as [$weight, , $noise]) {
            if ($weight < self::LEAST_WEIGHT) {
                continue;
            }
            $white = Whitened::of($trend->days, $trend->variances, $noise->variance, $noise->memory, [
                ...$columns,
                ...$steps,
            ])->columns;
            foreach ($likely as $i => $unused) {
                [$size, $sd] = self::size($white, $i);
                $sizes[$i] = ($sizes[$i] ?? 0.0) + $weight * $size;
                // Accidents under each supposition, in the proportion of its weight.
                $z[$i] += $weight * 2.0 * Normal::below(-($sd > 0.0 ? abs($size) / $sd : 0.0));
            }
        }
        asort($z);
        $best = array_key_first($z);

        return count($places) * $z[$best] < self::ACCIDENT
            ? new self($trend->days[$places[$likely[$best]]], $sizes[$best])
            : null;
    }

    /**
     * @param list<float> $days
     *
     * @return list<int> the readings before which a step may be
     */
    private static function places(array $days): array
    {
        $breaks = [];
        for ($i = self::SIDES; $i <= count($days) - self::SIDES; ++$i) {
            if ($days[$i] > $days[$i - 1]) {
                $breaks[$i] = $days[$i] - $days[$i - 1];
            }
        }
        if (count($breaks) <= self::PLACES) {
            return array_keys($breaks);
        }
        $every = array_keys($breaks);
        arsort($breaks);
        $places = array_slice(array_keys($breaks), 0, intdiv(self::PLACES, 2));
        for ($i = 0; count($places) < self::PLACES; ++$i) {
            $places[] = $every[intdiv($i * count($every), intdiv(self::PLACES, 2))];
        }
        $places = array_values(array_unique($places));
        sort($places);

        return $places;
    }

    /**
     * The steps that stand out most while no noise lasts: all of them in one pass, by sums from the end.
     *
     * @param list<int> $places
     * @param list<float> $times
     *
     * @return list<int> by their places among them
     */
    private static function likely(Trend $trend, array $places, array $times): array
    {
        $from = array_flip($places);
        $one = $time = $square = $oneY = $timeY = 0.0;
        $sums = [];
        for ($i = count($times) - 1; $i >= 0; --$i) {
            $weight = 1.0 / $trend->variances[$i];
            $one += $weight;
            $time += $weight * $times[$i];
            $square += $weight * $times[$i] ** 2;
            $oneY += $weight * $trend->values[$i];
            $timeY += $weight * $times[$i] * $trend->values[$i];
            if (isset($from[$i])) {
                $sums[$from[$i]] = [$one, $time, $oneY];
            }
        }
        $determinant = $one * $square - $time ** 2;
        $z = [];
        foreach ($sums as $i => [$ofOne, $ofTime, $ofY]) {
            // What level and trend say of the step already.
            $level = ($square * $ofOne - $time * $ofTime) / $determinant;
            $slope = ($one * $ofTime - $time * $ofOne) / $determinant;
            $left = $ofOne - $level * $ofOne - $slope * $ofTime;
            if ($left > 0.0) {
                $z[$i] = abs($ofY - $level * $oneY - $slope * $timeY) / sqrt($left);
            }
        }
        arsort($z);

        return array_slice(array_keys($z), 0, self::LIKELY);
    }

    /**
     * @param list<list<float>> $white what was read, one, time, and the steps
     *
     * @return array{float, float} the size of a step, level and trend allowed for, and one SD of it; nothing where it
     *     says what they say
     */
    private static function size(array $white, int $step): array
    {
        $fit = LeastSquares::of($white[0], [$white[1], $white[2], $white[$step + 3]]);

        return null === $fit ? [0.0, 0.0] : [$fit->coefficients[2], sqrt($fit->covariance[2][2])];
    }
}
