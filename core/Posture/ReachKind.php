<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

/** What hands or elbows are to get to. */
enum ReachKind: string
{
    /** A hand takes hold of a foot. */
    case Hold = 'hold';
    /** Both hands meet behind the back, with an arm round a leg or without. */
    case Clasp = 'clasp';
    /** One hand comes down over its shoulder, the other up the back. */
    case OverUnder = 'over-under';
    /** The fingertips come to the floor. */
    case Floor = 'floor';
    /** An elbow comes to a sole. */
    case Elbow = 'elbow';
    /** Both hands hold, over the head, a strap that lies round the foot behind. */
    case Overhead = 'overhead';

    /**
     * The longest strap, or the highest block, in cm with which it is worth doing: beyond that the arms no longer do
     * what the shape is for. This product's own.
     */
    public function most(): float
    {
        return match ($this) {
            self::Clasp, self::OverUnder => 45.0,
            self::Floor => 60.0,
            self::Elbow => 0.0,
            self::Hold => 100.0,
            self::Overhead => 150.0,
        };
    }

    /** The code of what is said of it. */
    public function code(): string
    {
        return match ($this) {
            self::Hold, self::Overhead => 'reach.hold',
            self::Clasp, self::OverUnder => 'reach.clasp',
            self::Floor => 'reach.floor',
            self::Elbow => 'reach.elbow',
        };
    }

    /**
     * What the drawing leaves out, in cm (one SD): arms lie round legs and backs that give, and nobody sits as
     * drawn. This product's own.
     */
    public function error(): float
    {
        return match ($this) {
            self::Clasp => 4.0,
            self::Elbow, self::Overhead => 3.0,
            default => 2.0,
        };
    }
}
