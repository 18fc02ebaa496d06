<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Segment;

/**
 * Angles by arcsine near the vertical, where a centimetre more or less says little of the angle and first
 * order says far too much: the error is taken over the whole of it there.
 */
final class NearVertical
{
    /** Within so many degrees of the vertical. */
    public const WITHIN = 15.0;
    /** A ratio that many SD above 1 is a slip, and no leg. */
    private const NOISE = 1.96;
    private const STEP = 1e-4;
    private const REACH = 4.0;
    private const GRID = 0.05;

    /**
     * The angle up to the vertical, in degrees; a ratio above 1 that lies within its error is 90°.
     *
     * @throws OutOfReach when the far side is longer than the limb
     */
    public static function degrees(Inclination $reading, Body $body): float
    {
        $ratio = $reading->ratio($body);
        if (abs($ratio) > 1.0 && abs($ratio) - 1.0 > self::NOISE * self::sd($reading, $body)) {
            throw OutOfReach::because('The limb is not as long as that is high.');
        }

        return rad2deg(asin(max(-1.0, min(1.0, $ratio))));
    }

    public static function isNear(Inclination $reading, Body $body): bool
    {
        return abs($reading->ratio($body)) > sin(deg2rad(90.0 - self::WITHIN));
    }

    /**
     * How the angle moves with each length and reading: what the error of all of them together comes to,
     * shared out by what each moves the ratio.
     *
     * @return array{array<string, float>, array<string, float>} degrees per cm, by segment and by reading
     */
    public static function slopes(Inclination $reading, Body $body): array
    {
        $ratio = $reading->ratio($body);
        $sd = self::sd($reading, $body);
        $perUnit =
            (($reading->direction() * self::spread(min(1.0, abs($ratio)), $sd)) / max($sd, 1e-9)) *
            ($ratio < 0.0 ? -1.0 : 1.0);
        $times = static fn (float $slope): float => $slope * $perUnit;

        return [array_map($times, self::toBody($reading, $body)), array_map($times, self::toReading($reading, $body))];
    }

    /** One SD of the ratio, of a body that was measured and readings as they usually are. */
    private static function sd(Inclination $reading, Body $body): float
    {
        $variance = 0.0;
        $error = BodyError::measured();
        foreach (self::toBody($reading, $body) as $segment => $slope) {
            $variance += ($slope * $error->sd(Segment::from($segment))) ** 2;
        }
        foreach (self::toReading($reading, $body) as $name => $slope) {
            $variance += ($slope * $reading->readingErrors()[$name]) ** 2;
        }

        return sqrt($variance);
    }

    /** One SD of arcsine, in degrees, of a ratio with this SD that cannot be above 1. */
    private static function spread(float $ratio, float $sd): float
    {
        $weight = $sum = $squares = 0.0;
        for ($z = -self::REACH; $z <= self::REACH; $z += self::GRID) {
            $w = exp((-$z * $z) / 2);
            $angle = rad2deg(asin(max(-1.0, min(1.0, $ratio + $z * $sd))));
            $weight += $w;
            $sum += $w * $angle;
            $squares += $w * $angle * $angle;
        }

        return sqrt(max(0.0, $squares / $weight - ($sum / $weight) ** 2));
    }

    /** @return array<string, float> of the ratio, per cm, by segment */
    private static function toBody(Inclination $reading, Body $body): array
    {
        $slopes = [];
        foreach (Segment::ofLeg() as $segment) {
            $slopes[$segment->value] =
                ($reading->ratio($body->shifted($segment, self::STEP)) -
                    $reading->ratio($body->shifted($segment, -self::STEP))) /
                (2 * self::STEP);
        }

        return $slopes;
    }

    /** @return array<string, float> of the ratio, per cm, by reading */
    private static function toReading(Inclination $reading, Body $body): array
    {
        $slopes = [];
        foreach (array_keys($reading->readingErrors()) as $name) {
            // Forward alone: a length that was read cannot be less than nothing.
            $slopes[$name] = ($reading->shifted($name, self::STEP)->ratio($body) - $reading->ratio($body)) / self::STEP;
        }

        return $slopes;
    }
}
