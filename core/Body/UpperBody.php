<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/**
 * Lengths above the hips, as shares of stature. The torso runs from the hip joints to the base of
 * the neck and is from memory of anthropometric tables; the arm's are after Winter, Biomechanics
 * and Motor Control of Human Movement.
 */
enum UpperBody: string
{
    case Torso = 'torso';
    case UpperArm = 'upperArm';
    case Forearm = 'forearm';
    /** Top of the shoulder to the middle of the closed fist. */
    case Arm = 'arm';

    /** In the unit of the stature. */
    public function ofStature(float $stature): float
    {
        return $stature * match ($this) {
            self::Torso => 0.30,
            self::UpperArm => 0.186,
            self::Forearm => 0.146,
            self::Arm => 0.38,
        };
    }
}
