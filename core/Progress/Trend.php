<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\Statistics\LeastSquares;
use LucidAscent\Core\Statistics\Mixture;
use LucidAscent\Core\Statistics\Normal;

/**
 * A straight line through a series, with what is not known about it: weighted by the readings' errors, with noise that
 * lasts from day to day allowed for, and lower bounds taken as bounds. How large that noise is, and how long it lasts,
 * nobody knows beforehand: a grid of suppositions is weighed by how well each explains the series (restricted likelihood,
 * Patterson and Thompson, Biometrika 58 (1971) 545), and what follows from each is mixed in that proportion.
 */
final readonly class Trend
{
    public const MONTH = 30.4375;
    /** A line needs so many readings: two give one, and nobody knows how well. */
    public const LEAST = 3;
    private const ROUNDS = 12;
    /** What tells less than this share of an exact reading tells nothing. */
    private const LEAST_TOLD = 1e-6;

    /**
     * @param Mixture $slope per day
     * @param non-empty-list<array{float, LeastSquares}> $lines the weight of each supposition, and the level at $middle and the slope by it
     * @param float $middle the day at which the levels are
     * @param float $typical variance of a reading
     * @param list<float> $days of the readings
     * @param list<float> $values as exact readings would tell as much
     * @param list<float> $variances likewise
     */
    private function __construct(public Mixture $slope, private array $lines, private float $middle, public float $typical, public array $days, public array $values, public array $variances)
    {
    }

    /** @param list<TimedReading> $readings in any order; null when they are too few, or of one day, or tell too little */
    public static function of(array $readings): ?self
    {
        usort($readings, static fn (TimedReading $a, TimedReading $b): int => $a->day <=> $b->day);
        $exact = array_values(array_filter($readings, static fn (TimedReading $one): bool => !$one->isAtLeast));
        if (count($exact) < self::LEAST || $exact[0]->day === $exact[count($exact) - 1]->day) {
            return null;
        }
        [$days, $values, $variances] = self::asTold($readings, $exact);
        $middle = array_sum($days) / count($days);
        $ones = array_fill(0, count($days), 1.0);
        $times = array_map(static fn (float $day): float => $day - $middle, $days);
        $typical = array_sum(array_map(static fn (TimedReading $one): float => $one->sd ** 2, $exact)) / count($exact);
        $lines = self::weighed($days, $variances, $typical, [$values, $ones, $times]);

        return [] === $lines ? null : new self(
            new Mixture(array_map(static fn (array $line): array => ['weight' => $line[0], 'mean' => $line[1]->coefficients[1], 'sd' => sqrt($line[1]->covariance[1][1])], $lines)),
            array_map(static fn (array $line): array => [$line[0], $line[1]], $lines),
            $middle,
            $typical,
            $days,
            $values,
            $variances,
        );
    }

    /**
     * What each supposition about the noise makes of some columns, and its weight by how well it explains them.
     *
     * @param list<float> $days
     * @param list<float> $variances
     * @param non-empty-list<list<float>> $columns the first is explained by the others
     *
     * @return list<array{float, LeastSquares, Noise}> none where two columns say the same
     */
    public static function weighed(array $days, array $variances, float $typical, array $columns): array
    {
        $found = [];
        foreach (Noise::suppositions($typical) as $noise) {
            $white = Whitened::of($days, $variances, $noise->variance, $noise->memory, $columns);
            $fit = LeastSquares::of($white->columns[0], array_slice($white->columns, 1));
            if (null === $fit) {
                return [];
            }
            $found[] = [$fit->likelihood($white->logDeterminant) + log($noise->likely), $fit, $noise];
        }
        $best = max(array_column($found, 0));
        $sum = array_sum(array_map(static fn (array $one): float => exp($one[0] - $best), $found));

        return array_map(static fn (array $one): array => [exp($one[0] - $best) / $sum, $one[1], $one[2]], $found);
    }

    /** Where the line is on a day: what the next reading without any error would be about. */
    public function at(float $day): Mixture
    {
        $after = $day - $this->middle;

        return new Mixture(array_map(static fn (array $line): array => [
            'weight' => $line[0],
            'mean' => $line[1]->coefficients[0] + $after * $line[1]->coefficients[1],
            'sd' => sqrt(max(0.0, $line[1]->covariance[0][0] + $after ** 2 * $line[1]->covariance[1][1] + 2.0 * $after * $line[1]->covariance[0][1])),
        ], $this->lines));
    }

    /** The chance that it goes the way that it seems to go. */
    public function chanceReal(): float
    {
        $below = $this->slope->below(0.0);

        return max($below, 1.0 - $below);
    }

    /**
     * A lower bound far below the line tells nothing, one above it a good deal. Each is put as the exact reading that
     * would tell as much (a scoring step of the censored likelihood; Tobin, Econometrica 26 (1958) 24), from the line
     * through the exact ones on, until nothing changes.
     *
     * @param list<TimedReading> $readings in order
     * @param non-empty-list<TimedReading> $exact
     *
     * @return array{list<float>, list<float>, list<float>} days, values, variances
     */
    private static function asTold(array $readings, array $exact): array
    {
        $told = array_map(static fn (TimedReading $one): array => [$one->day, $one->value, $one->sd ** 2], $exact);
        for ($round = 0; $round < self::ROUNDS && count($exact) < count($readings); ++$round) {
            $days = array_map(static fn (array $one): float => $one[0], $told);
            $white = Whitened::of($days, array_map(static fn (array $one): float => $one[2], $told), 0.0, 1.0, [array_map(static fn (array $one): float => $one[1], $told), array_fill(0, count($days), 1.0), $days]);
            $line = LeastSquares::of($white->columns[0], array_slice($white->columns, 1))->coefficients ?? [0.0, 0.0];
            $told = [];
            foreach ($readings as $one) {
                if (!$one->isAtLeast) {
                    $told[] = [$one->day, $one->value, $one->sd ** 2];
                    continue;
                }
                $expected = $line[0] + $line[1] * $one->day;
                $z = ($one->value - $expected) / $one->sd;
                $hazard = Normal::hazard($z);
                $share = $hazard * ($hazard - $z);
                if ($share > self::LEAST_TOLD) {
                    $told[] = [$one->day, $expected + $one->sd * $hazard / $share, $one->sd ** 2 / $share];
                }
            }
        }

        return [array_map(static fn (array $one): float => $one[0], $told), array_map(static fn (array $one): float => $one[1], $told), array_map(static fn (array $one): float => $one[2], $told)];
    }
}
