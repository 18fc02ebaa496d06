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
        return in_array($this, [self::WideLegs, self::LegRaise, self::HeelToSeat, self::ShinInclination], true);
    }
}
