<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;

/**
 * Several legs, each read several times over: what a teacher's own readings are off by.
 *
 * SEM is the square root of the mean square within legs (one-way analysis of variance); with the
 * reliability coefficient ICC(1,1) and the spread over all readings it is close to SD·√(1−ICC).
 * Source: Weir, J Strength Cond Res 19 (2005) 231–240.
 */
final readonly class Repeats
{
    /**
     * @param non-empty-list<non-empty-list<float>> $legs the readings of each leg, in one unit
     *
     * @throws InvalidValue when a reading is not finite, or no leg was read twice
     */
    public function __construct(private array $legs)
    {
        $degrees = 0;
        foreach ($legs as $readings) {
            foreach ($readings as $reading) {
                Check::finite('reading', $reading);
            }
            $degrees += count($readings) - 1;
        }
        if (0 === $degrees) {
            throw InvalidValue::because('readings', 'need one leg at least that was read twice.');
        }
    }

    /** Standard error of measurement, in the readings' unit. */
    public function sem(): float
    {
        return sqrt($this->meanSquareWithin());
    }

    /**
     * ICC(1,1), which needs the same number of readings of each of two legs or more.
     *
     * @return float|null null when the legs were not read equally often, or do not differ at all
     */
    public function icc(): ?float
    {
        $k = count($this->legs[0]);
        $n = count($this->legs);
        foreach ($this->legs as $readings) {
            if (count($readings) !== $k) {
                return null;
            }
        }
        if ($n < 2) {
            return null;
        }
        $means = array_map(self::mean(...), $this->legs);
        $grand = self::mean($means);
        $between =
            ($k * array_sum(array_map(static fn (float $mean): float => ($mean - $grand) ** 2, $means))) / ($n - 1);
        $within = $this->meanSquareWithin();
        $total = $between + ($k - 1) * $within;

        return 0.0 === $total ? null : ($between - $within) / $total;
    }

    private function meanSquareWithin(): float
    {
        $squares = 0.0;
        $degrees = 0;
        foreach ($this->legs as $readings) {
            $mean = self::mean($readings);
            $squares += array_sum(array_map(static fn (float $x): float => ($x - $mean) ** 2, $readings));
            $degrees += count($readings) - 1;
        }

        return $squares / $degrees;
    }

    /** @param non-empty-list<float> $values */
    private static function mean(array $values): float
    {
        return array_sum($values) / count($values);
    }
}
