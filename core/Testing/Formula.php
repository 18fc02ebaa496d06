<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

/** How a test's numbers become what they show. */
enum Formula: string
{
    case SolesTogether = 'soles-together';
    case ShinsStacked = 'shins-stacked';
    case CowFace = 'cow-face';
    case WideLegs = 'wide-legs';
    case Frog = 'frog';
    case LegRaise = 'leg-raise';
    case KneeHug = 'knee-hug';
    case HeelToSeat = 'heel-to-seat';
    /** The angle that was read is the answer. */
    case ShinInclination = 'shin-inclination';
    /** The gap between the hands is the answer: a strap of that length closes it. */
    case StrapGap = 'strap-gap';
    /** The number that was read is the answer. */
    case Direct = 'direct';
    /** Watched, not computed. */
    case Observation = 'observation';

    /** Sitting on a prop whose height is part of the reading. */
    public function isSeated(): bool
    {
        return in_array($this, [self::SolesTogether, self::ShinsStacked, self::CowFace], true);
    }

    /** The tape reading of one joint can be replaced by the angle itself. */
    public function takesAngle(): bool
    {
        return in_array($this, [self::WideLegs, self::LegRaise, self::KneeHug, self::HeelToSeat, self::ShinInclination], true);
    }

    /**
     * Which of a test's values it cannot do without.
     *
     * @param list<string> $measured
     *
     * @return list<string>
     */
    public function needs(array $measured): array
    {
        return match ($this) {
            self::ShinInclination => ['angle'],
            self::LegRaise => ['heelHeight'],
            self::KneeHug => ['kneeHeight', 'past'],
            default => $measured,
        };
    }

    /** What one careful reading is usually off by, in degrees: of a body of middle size, this product's own reckoning. */
    public function usualError(): float
    {
        return match ($this) {
            self::ShinsStacked => 1.4,
            self::LegRaise, self::WideLegs => 1.5,
            self::HeelToSeat => 2.0,
            self::KneeHug => 3.6,
            self::Frog => 2.4,
            self::SolesTogether, self::CowFace => 4.0,
            self::ShinInclination, self::Direct, self::StrapGap => 2.5,
            self::Observation => 10.0,
        };
    }
}
