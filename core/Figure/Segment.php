<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\LegChain\Vector;

/** A part of the body as a tapered solid between two points (cm, ground frame), half as thick at its ends as said. */
final readonly class Segment
{
    public function __construct(
        public string $name,
        public string $from,
        public string $to,
        public Vector $start,
        public Vector $end,
        public float $startRadius,
        public float $endRadius,
    ) {
    }

    public function middle(): Vector
    {
        return $this->start->plus($this->end)->times(0.5);
    }

    /** How far its surface is from the floor, in cm; below zero when it is under it. */
    public function clearance(): float
    {
        return min($this->start->z - $this->startRadius, $this->end->z - $this->endRadius);
    }

    /**
     * How far two of them are apart, surface to surface, in cm; below zero where they press into each other.
     */
    public function gap(self $other): float
    {
        [$s, $t] = self::nearest($this, $other);
        $distance = $this->at($s)->minus($other->at($t))->length();

        return $distance - $this->radius($s) - $other->radius($t);
    }

    /** The point at a share of its length, 0 at its start and 1 at its end: cm, ground frame. */
    public function at(float $share): Vector
    {
        return $this->start->plus($this->end->minus($this->start)->times($share));
    }

    /** Half its thickness at a share of its length, in cm. */
    public function radius(float $share): float
    {
        return $this->startRadius + ($this->endRadius - $this->startRadius) * $share;
    }

    /**
     * Where on each of two lines they come nearest, as shares from 0 to 1 (Ericson, Real-Time Collision Detection).
     *
     * @return array{float, float}
     */
    private static function nearest(self $one, self $two): array
    {
        $d1 = $one->end->minus($one->start);
        $d2 = $two->end->minus($two->start);
        $r = $one->start->minus($two->start);
        $a = $d1->dot($d1);
        $e = $d2->dot($d2);
        $f = $d2->dot($r);
        if ($a < 1e-9) {
            return [0.0, $e < 1e-9 ? 0.0 : self::share($f / $e)];
        }
        $c = $d1->dot($r);
        if ($e < 1e-9) {
            return [self::share(-$c / $a), 0.0];
        }
        $b = $d1->dot($d2);
        $denominator = $a * $e - $b * $b;
        $s = $denominator > 1e-9 ? self::share(($b * $f - $c * $e) / $denominator) : 0.0;
        $t = ($b * $s + $f) / $e;
        if ($t < 0.0) {
            return [self::share(-$c / $a), 0.0];
        }
        if ($t > 1.0) {
            return [self::share(($b - $c) / $a), 1.0];
        }

        return [$s, $t];
    }

    private static function share(float $value): float
    {
        return min(1.0, max(0.0, $value));
    }
}
