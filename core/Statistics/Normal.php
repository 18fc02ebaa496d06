<?php

declare(strict_types=1);

namespace LucidAscent\Core\Statistics;

use Random\Randomizer;

/** The standard normal distribution. */
final class Normal
{
    /** Two that go together by more than this are asked for otherwise: the integral is too steep. */
    public const TOGETHER = 0.98;
    private const PARTS = 64;

    /** Of the standard normal distribution, at so many standard deviations from the middle. */
    public static function density(float $z): float
    {
        return exp(-0.5 * $z * $z) / sqrt(2.0 * M_PI);
    }

    /**
     * The share below z, to fifteen digits: by the ratio of two polynomials (Hart et al., Computer Approximations,
     * 1968, 5666; the coefficients from memory, held against tables), by continued fraction in the tails (Abramowitz
     * and Stegun, 26.2.14).
     */
    public static function below(float $z): float
    {
        $x = abs($z);
        if ($x > 38.0) {
            return $z > 0.0 ? 1.0 : 0.0;
        }
        if ($x < 7.07106781186547) {
            $above =
                ((((((0.0352624965998911 * $x + 0.700383064443688) * $x + 6.37396220353165) * $x + 33.912866078383) *
                    $x +
                    112.079291497871) *
                    $x +
                    221.213596169931) *
                    $x +
                    220.206867912376) /
                (((((((0.0883883476483184 * $x + 1.75566716318264) * $x + 16.064177579207) * $x + 86.7807322029461) *
                    $x +
                    296.564248779674) *
                    $x +
                    637.333633378831) *
                    $x +
                    793.826512519948) *
                    $x +
                    440.413735824752);
            $tail = exp(-0.5 * $x * $x) * $above;
        } else {
            $fraction = $x;
            for ($k = 20; $k > 0; --$k) {
                $fraction = $x + $k / $fraction;
            }
            $tail = self::density($x) / $fraction;
        }

        return $z > 0.0 ? 1.0 - $tail : $tail;
    }

    /**
     * What has about so much below it, to three digits: where a search begins (Abramowitz and Stegun, 26.2.23, from
     * memory).
     */
    public static function roughly(float $below): float
    {
        $tail = max(1e-300, min($below, 1.0 - $below));
        $t = sqrt(-2.0 * log($tail));
        $z =
            $t -
            ((0.010328 * $t + 0.802853) * $t + 2.515517) / (((0.001308 * $t + 0.189269) * $t + 1.432788) * $t + 1.0);

        return $below < 0.5 ? -$z : $z;
    }

    /** How much of the mean of what is above z lies beyond it: the hazard. */
    public static function hazard(float $z): float
    {
        // Far out the share above is too small to be divided by: there the hazard is hardly more than z.
        return $z > 30.0 ? $z + 1.0 / $z : self::density($z) / self::below(-$z);
    }

    /**
     * The share of two that go together by so much which is below h in the one and below k in the other: the integral
     * of Plackett, Biometrika 41 (1954) 351, over the angle whose sine is the correlation, by Simpson's rule.
     *
     * @param float $correlation no nearer to one, or to minus one, than TOGETHER
     */
    public static function bothBelow(float $h, float $k, float $correlation): float
    {
        $end = asin($correlation);
        $at = static fn (float $angle): float => exp(
            -($h * $h + $k * $k - 2.0 * $h * $k * sin($angle)) / (2.0 * cos($angle) ** 2),
        );
        $sum = $at(0.0) + $at($end);
        for ($i = 1; $i < self::PARTS; ++$i) {
            $sum += (1 === $i % 2 ? 4.0 : 2.0) * $at(($end * $i) / self::PARTS);
        }

        return self::below($h) * self::below($k) + ($sum * $end) / (3 * self::PARTS) / (2.0 * M_PI);
    }

    /** A draw from it (Box & Muller, 1958). */
    public static function draw(Randomizer $random): float
    {
        return sqrt(-2 * log(self::share($random))) * cos(2 * M_PI * self::share($random));
    }

    /** Above 0, and up to 1, evenly. */
    public static function share(Randomizer $random): float
    {
        return $random->getInt(1, 1 << 52) / (1 << 52);
    }
}
