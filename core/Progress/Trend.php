<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\Statistics\LeastSquares;
use LucidAscent\Core\Statistics\Mixture;
use LucidAscent\Core\Statistics\Normal;

/**
 * A straight line through a series, with what is not known about it: weighted by the readings' errors, with noise that
 * lasts from day to day allowed for, and lower bounds taken as bounds. How large that noise is, and how long it lasts,
 * nobody knows beforehand: a grid of suppositions is weighed by how well each explains the series (restricted
 * likelihood, Patterson and Thompson, Biometrika 58 (1971) 545), and what follows from each is mixed in that
 * proportion.
 */
final readonly class Trend
{
    public const MONTH = 30.4375;
    /** A line needs so many readings: two give one, and nobody knows how well. */
    public const LEAST = 3;
    /** A trend is taken for one when it is as sure as this. */
    public const SURE = 0.95;
    /** How far apart two set-ups read the same body, one SD in the series' unit: this product's own. */
    public const SET_UPS_APART = 4.0;
    private const ROUNDS = 12;
    /** What tells less than this share of an exact reading tells nothing. */
    private const LEAST_TOLD = 1e-6;

    /**
     * @param Mixture $slope per day
     * @param non-empty-list<array{float, LeastSquares}> $lines the weight of each supposition, and the level at $middle
     *     and the slope by it
     * @param float $middle the day at which the levels are
     * @param float $typical variance of a reading
     * @param list<float> $days of the readings
     * @param list<float> $values as exact readings would tell as much
     * @param list<float> $variances likewise
     * @param array<string, array{mean: float, sd: float}> $apart how much more each other set-up reads than the
     *     commonest
     * @param string $setUp the commonest, of which the line is
     */
    private function __construct(
        public Mixture $slope,
        private array $lines,
        private float $middle,
        public float $typical,
        public array $days,
        public array $values,
        public array $variances,
        public array $apart,
        public string $setUp,
    ) {
    }

    /**
     * @param list<TimedReading> $readings in any order; null when they are too few, or of one day, or tell too little
     */
    public static function of(array $readings): ?self
    {
        usort($readings, static fn (TimedReading $a, TimedReading $b): int => $a->day <=> $b->day);
        $exact = array_values(array_filter($readings, static fn (TimedReading $one): bool => !$one->isAtLeast));
        if (count($exact) < self::LEAST || $exact[0]->day === $exact[count($exact) - 1]->day) {
            return null;
        }
        $setUp = self::commonest(array_map(static fn (TimedReading $one): string => $one->setUp, $exact));
        [$days, $values, $variances, $of] = self::asTold($readings, $exact, $setUp);
        $middle = array_sum($days) / count($days);
        $ones = array_fill(0, count($days), 1.0);
        $times = array_map(static fn (float $day): float => $day - $middle, $days);
        $typical = array_sum(array_map(static fn (TimedReading $one): float => $one->sd ** 2, $exact)) / count($exact);
        $others = array_values(array_unique(array_filter($of, static fn (string $one): bool => $one !== $setUp)));
        $offsets = array_map(
            static fn (string $other): array => array_map(
                static fn (string $one): float => $one === $other ? 1.0 : 0.0,
                $of,
            ),
            $others,
        );
        $lines = self::weighed(
            $days,
            $variances,
            $typical,
            [$values, $ones, $times, ...$offsets],
            self::known(count($others)),
        );
        if ([] === $lines) {
            return null;
        }
        $apart = [];
        foreach ($others as $i => $other) {
            $mixed = new Mixture(
                array_map(
                    static fn (array $line): array => [
                        'weight' => $line[0],
                        'mean' => $line[1]->coefficients[2 + $i],
                        'sd' => sqrt($line[1]->covariance[2 + $i][2 + $i]),
                    ],
                    $lines,
                ),
            );
            $apart[$other] = ['mean' => $mixed->mean(), 'sd' => $mixed->sd()];
        }

        return new self(
            new Mixture(
                array_map(
                    static fn (array $line): array => [
                        'weight' => $line[0],
                        'mean' => $line[1]->coefficients[1],
                        'sd' => sqrt($line[1]->covariance[1][1]),
                    ],
                    $lines,
                ),
            ),
            array_map(static fn (array $line): array => [$line[0], $line[1]], $lines),
            $middle,
            $typical,
            $days,
            array_map(
                static fn (float $value, string $one): float => $value - ($apart[$one]['mean'] ?? 0.0),
                $values,
                $of,
            ),
            $variances,
            $apart,
            $setUp,
        );
    }

    /**
     * The set-up of most readings; of as many, the newest.
     *
     * @param list<string> $setUps of readings, in order
     */
    public static function commonest(array $setUps): string
    {
        $many = array_count_values(array_reverse($setUps));

        return [] === $many ? '' : (string) array_search(max($many), $many, true);
    }

    /**
     * What is known beforehand of how far set-ups read apart, as readings of their own: nothing of level and slope.
     *
     * @return list<list<float>> rows of what was read, one, time, and the set-ups
     */
    private static function known(int $setUps): array
    {
        return array_map(
            static fn (int $i): array => array_map(
                static fn (int $c): float => $c === 3 + $i ? 1.0 / self::SET_UPS_APART : 0.0,
                range(0, 2 + $setUps),
            ),
            0 === $setUps ? [] : range(0, $setUps - 1),
        );
    }

    /**
     * What each supposition about the noise makes of some columns, and its weight by how well it explains them.
     *
     * @param list<float> $days
     * @param list<float> $variances
     * @param non-empty-list<list<float>> $columns the first is explained by the others
     * @param list<list<float>> $known rows that are known beforehand, in units of one SD
     *
     * @return list<array{float, LeastSquares, Noise}> none where two columns say the same
     */
    public static function weighed(
        array $days,
        array $variances,
        float $typical,
        array $columns,
        array $known = [],
    ): array {
        $found = [];
        foreach (Noise::suppositions($typical) as $noise) {
            $white = Whitened::of($days, $variances, $noise->variance, $noise->memory, $columns);
            $rows = array_map(
                static fn (array $column, int $c): array => [
                    ...$column,
                    ...array_map(static fn (array $row): float => $row[$c], $known),
                ],
                $white->columns,
                array_keys($white->columns),
            );
            $fit = LeastSquares::of($rows[0], array_slice($rows, 1));
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

        return new Mixture(
            array_map(
                static fn (array $line): array => [
                    'weight' => $line[0],
                    'mean' => $line[1]->coefficients[0] + $after * $line[1]->coefficients[1],
                    'sd' => sqrt(
                        max(
                            0.0,
                            $line[1]->covariance[0][0] +
                                $after ** 2 * $line[1]->covariance[1][1] +
                                2.0 * $after * $line[1]->covariance[0][1],
                        ),
                    ),
                ],
                $this->lines,
            ),
        );
    }

    /** The chance that it goes the way that it seems to go. */
    public function chanceReal(): float
    {
        $below = $this->slope->below(0.0);

        return max($below, 1.0 - $below);
    }

    public function isReal(): bool
    {
        return $this->chanceReal() >= self::SURE;
    }

    /**
     * A lower bound far below the line tells nothing, one above it a good deal. Each is put as the exact reading that
     * would tell as much (a scoring step of the censored likelihood; Tobin, Econometrica 26 (1958) 24), from the line
     * through the exact ones on, until nothing changes.
     *
     * @param list<TimedReading> $readings in order
     * @param non-empty-list<TimedReading> $exact
     *
     * @return array{list<float>, list<float>, list<float>, list<string>} days, values, variances, set-ups; a bound is
     *     one by any set-up
     */
    private static function asTold(array $readings, array $exact, string $setUp): array
    {
        $told = array_map(
            static fn (TimedReading $one): array => [$one->day, $one->value, $one->sd ** 2, $one->setUp],
            $exact,
        );
        for ($round = 0; $round < self::ROUNDS && count($exact) < count($readings); ++$round) {
            $days = array_map(static fn (array $one): float => $one[0], $told);
            $white = Whitened::of($days, array_map(static fn (array $one): float => $one[2], $told), 0.0, 1.0, [
                array_map(static fn (array $one): float => $one[1], $told),
                array_fill(0, count($days), 1.0),
                $days,
            ]);
            $line = LeastSquares::of($white->columns[0], array_slice($white->columns, 1))->coefficients ?? [0.0, 0.0];
            $told = [];
            foreach ($readings as $one) {
                if (!$one->isAtLeast) {
                    $told[] = [$one->day, $one->value, $one->sd ** 2, $one->setUp];
                    continue;
                }
                $expected = $line[0] + $line[1] * $one->day;
                if (!$one->isCut) {
                    // Of several that show together one is the limit: of all that may lie above, the likeliest. Below
                    // the line it tells nothing.
                    if ($one->value > $expected) {
                        $told[] = [$one->day, $one->value, $one->sd ** 2, $setUp];
                    }
                    continue;
                }
                $z = ($one->value - $expected) / $one->sd;
                $hazard = Normal::hazard($z);
                $share = $hazard * ($hazard - $z);
                if ($share > self::LEAST_TOLD) {
                    $told[] = [$one->day, $expected + ($one->sd * $hazard) / $share, $one->sd ** 2 / $share, $setUp];
                }
            }
        }

        return [
            array_map(static fn (array $one): float => $one[0], $told),
            array_map(static fn (array $one): float => $one[1], $told),
            array_map(static fn (array $one): float => $one[2], $told),
            array_map(static fn (array $one): string => $one[3], $told),
        ];
    }
}
