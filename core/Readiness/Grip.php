<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Posture\ReachKind;

/** How far a hand gets. */
enum Grip: string
{
    /** Past it by a hand: round the wrist, or flat on the floor. */
    case Wrist = 'wrist';
    case Fingers = 'fingers';
    /** A strap, or a block, makes up for what is missing. */
    case Strap = 'strap';
    case NotYet = 'not-yet';

    /** A strap shorter than this, in cm, is none. */
    private const TOUCH = 0.5;

    /**
     * @param float $gap what is missing, in cm; below zero by how much it gets past
     * @param float $hand in cm
     */
    public static function of(ReachKind $kind, float $gap, float $hand): self
    {
        return match (true) {
            $gap <= -$hand => self::Wrist,
            $gap < self::TOUCH => self::Fingers,
            $gap <= $kind->most() => self::Strap,
            default => self::NotYet,
        };
    }

    /**
     * @param float $gap what is missing, in cm; below zero by how much it gets past
     * @param float $hand in cm
     *
     * @return float|null the strap or the block that makes up for it, in cm; null where none does
     */
    public static function strap(ReachKind $kind, float $gap, float $hand): ?float
    {
        return self::NotYet === self::of($kind, $gap, $hand) ? null : max(0.0, $gap);
    }
}
