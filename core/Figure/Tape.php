<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\LegChain\Vector;

/** Where a tape goes on a figure, from landmark to landmark (cm, ground frame). */
final readonly class Tape
{
    private function __construct(public string $name, public Vector $from, public Vector $to)
    {
    }

    /**
     * @param string $name of what is measured
     * @param string $from a point of the side that works ("knee"), of the other ("other-knee"), or of the one there is
     *     ("nose")
     * @param string $to likewise, or "floor" for straight below
     */
    public static function of(Figure $figure, string $name, string $from, string $to): self
    {
        $start = self::point($figure, $from);

        return new self(
            $name,
            $start,
            'floor' === $to ? new Vector($start->x, $start->y, 0.0) : self::point($figure, $to),
        );
    }

    private static function point(Figure $figure, string $name): Vector
    {
        return 'groin' === $name
            ? // Between the hip joints, in front, on the floor.
            new Vector($figure->point('pelvis')->x + $figure->physique->hundredths(4.0), 0.0, 1.0)
            : $figure->points[$name] ?? $figure->ofWorking($name);
    }
}
