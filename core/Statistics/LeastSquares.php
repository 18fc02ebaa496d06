<?php

declare(strict_types=1);

namespace LucidAscent\Core\Statistics;

/** A few columns fitted to what was read, all whitened: coefficients, how sure each is, and how well it fits. */
final readonly class LeastSquares
{
    private const TOO_ALIKE = 1e-12;

    /**
     * @param list<float> $coefficients
     * @param list<list<float>> $covariance of them
     * @param float $rest sum of the squares that are left
     * @param float $logDeterminant of the information
     */
    private function __construct(
        public array $coefficients,
        public array $covariance,
        public float $rest,
        public float $logDeterminant,
    ) {
    }

    /**
     * @param list<float> $y
     * @param list<list<float>> $columns
     *
     * @return self|null null where two columns say the same
     */
    public static function of(array $y, array $columns): ?self
    {
        $width = count($columns);
        $information = [];
        $right = [];
        foreach ($columns as $i => $column) {
            $right[] = self::dot($column, $y);
            for ($j = 0; $j <= $i; ++$j) {
                $information[$i][$j] = $information[$j][$i] = self::dot($column, $columns[$j]);
            }
        }
        // Gauss and Jordan, of a symmetric positive matrix: no row has to change its place.
        $inverse = [];
        for ($i = 0; $i < $width; ++$i) {
            $inverse[$i] = array_fill(0, $width, 0.0);
            $inverse[$i][$i] = 1.0;
        }
        $logDeterminant = 0.0;
        for ($i = 0; $i < $width; ++$i) {
            $pivot = $information[$i][$i];
            if ($pivot <= self::TOO_ALIKE * self::dot($columns[$i], $columns[$i])) {
                return null;
            }
            $logDeterminant += log($pivot);
            for ($k = 0; $k < $width; ++$k) {
                $information[$i][$k] /= $pivot;
                $inverse[$i][$k] /= $pivot;
            }
            for ($j = 0; $j < $width; ++$j) {
                $factor = $j === $i ? 0.0 : $information[$j][$i];
                for ($k = 0; $k < $width; ++$k) {
                    $information[$j][$k] -= $factor * $information[$i][$k];
                    $inverse[$j][$k] -= $factor * $inverse[$i][$k];
                }
            }
        }
        $coefficients = array_map(
            static fn (array $row): float => self::dot(array_values($row), $right),
            array_values($inverse),
        );

        return new self(
            $coefficients,
            array_map(array_values(...), array_values($inverse)),
            max(0.0, self::dot($y, $y) - self::dot($coefficients, $right)),
            $logDeterminant,
        );
    }

    /** How well a supposition about the noise explains it, what was fitted allowed for (restricted likelihood). */
    public function likelihood(float $logDeterminantOfNoise): float
    {
        return -0.5 * ($logDeterminantOfNoise + $this->logDeterminant + $this->rest);
    }

    /**
     * @param list<float> $a
     * @param list<float> $b
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $x) {
            $sum += $x * $b[$i];
        }

        return $sum;
    }
}
