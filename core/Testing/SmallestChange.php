<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

/**
 * The smallest difference that is more than noise.
 *
 * MDC₉₅ = 1.96 · √2 · SEM. Source: Weir, J Strength Cond Res 19 (2005) 231–240.
 */
final class SmallestChange
{
    /** @param float $sem standard error of measurement, in any unit; the answer is in the same */
    public static function of(float $sem): float
    {
        return 1.96 * M_SQRT2 * $sem;
    }

    /** @param float $sd one SD of a difference, in any unit; the answer is in the same */
    public static function between(float $sd): float
    {
        return 1.96 * $sd;
    }
}
