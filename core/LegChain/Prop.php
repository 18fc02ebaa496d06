<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

/**
 * What a teacher can change about a set-up: by which step it is tried, how far it may go, and in
 * which direction it usually helps.
 */
enum Prop: string
{
    case Seat = 'seat';
    case KneeBlock = 'kneeHeight';
    case AnkleBlock = 'ankleHeight';
    case HipBlock = 'hipHeight';
    case ShinAngle = 'shinAngle';
    case HeelDistance = 'heelDistance';
    case PelvicTilt = 'pelvicTilt';
    case Rounding = 'rounding';

    public function isAngle(): bool
    {
        return match ($this) {
            self::ShinAngle, self::PelvicTilt, self::Rounding => true,
            default => false,
        };
    }

    /** One step, in cm or degrees: a thin prop, or a change that can be seen. */
    public function step(): float
    {
        return match ($this) {
            self::ShinAngle, self::Rounding => 10.0,
            self::PelvicTilt => -5.0,
            self::HeelDistance => 5.0,
            default => 3.0,
        };
    }

    /** The furthest it is taken in that direction, in cm or degrees. */
    public function furthest(): float
    {
        return match ($this) {
            self::Seat => 30.0,
            self::KneeBlock, self::AnkleBlock, self::HipBlock => 45.0,
            self::ShinAngle => 80.0,
            self::HeelDistance => 60.0,
            self::PelvicTilt => -30.0,
            self::Rounding => 120.0,
        };
    }
}
