<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

/** Outlines in a parallel projection: a tapered solid is the hull of two circles, a box that of eight corners. */
final class Hull
{
    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     *
     * @return string an SVG path, always the same way round
     */
    public static function capsule(array $a, float $ra, array $b, float $rb): string
    {
        $dx = $b[0] - $a[0];
        $dy = $b[1] - $a[1];
        $d = sqrt($dx * $dx + $dy * $dy);
        if ($d <= abs($ra - $rb) + 1e-6) {
            return $ra >= $rb ? self::circle($a, $ra) : self::circle($b, $rb);
        }
        $along = atan2($dy, $dx);
        $spread = acos(($ra - $rb) / $d);
        $on = static fn (array $c, float $r, float $angle): string => self::number($c[0] + $r * cos($angle)).
            ' '.
            self::number($c[1] + $r * sin($angle));
        // The arc behind the thicker end is the longer one.
        $largeA = $ra > $rb ? 1 : 0;

        return 'M'.
            $on($a, $ra, $along + $spread).
            'A'.
            self::number($ra).
            ' '.
            self::number($ra).
            ' 0 '.
            $largeA.
            ' 1 '.
            $on($a, $ra, $along - $spread).
            'L'.
            $on($b, $rb, $along - $spread).
            'A'.
            self::number($rb).
            ' '.
            self::number($rb).
            ' 0 '.
            (1 - $largeA).
            ' 1 '.
            $on($b, $rb, $along + $spread).
            'Z';
    }

    /** @param array{float, float} $c */
    public static function circle(array $c, float $r): string
    {
        $r = self::number($r);

        return 'M'.
            self::number($c[0] - (float) $r).
            ' '.
            self::number($c[1]).
            'a'.
            $r.
            ' '.
            $r.
            ' 0 1 1 '.
            self::number(2 * (float) $r).
            ' 0a'.
            $r.
            ' '.
            $r.
            ' 0 1 1 '.
            self::number(-2 * (float) $r).
            ' 0Z';
    }

    /**
     * @param list<array{float, float}> $points
     *
     * @return string an SVG path round all of them
     */
    public static function polygon(array $points): string
    {
        sort($points);
        $half = static function (array $points): array {
            $hull = [];
            foreach ($points as $p) {
                while (count($hull) > 1 && self::turn($hull[count($hull) - 2], $hull[count($hull) - 1], $p) <= 0.0) {
                    array_pop($hull);
                }
                $hull[] = $p;
            }
            array_pop($hull);

            return $hull;
        };
        $hull = [...$half($points), ...$half(array_reverse($points))];

        return 'M'.
            implode(
                'L',
                array_map(static fn (array $p): string => self::number($p[0]).' '.self::number($p[1]), $hull),
            ).
            'Z';
    }

    public static function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 1, '.', ''), '0'), '.');
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     * @param array{float, float} $c
     */
    private static function turn(array $a, array $b, array $c): float
    {
        return ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]);
    }
}
