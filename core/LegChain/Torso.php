<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

/**
 * The torso as an arc of length L that rounds forward by ψ, in the pelvis's frame from the point between the hip
 * joints.
 */
final class Torso
{
    /** Below this rounding, in radians, the arc is taken as straight. */
    private const STRAIGHT = 1e-9;

    /**
     * The bony bump at the base of the neck: (L(1 − cos ψ)/ψ, 0, L sin ψ/ψ), in cm.
     *
     * @param float $rounding degrees, forward positive
     */
    public static function neck(float $length, float $rounding): Vector
    {
        $psi = deg2rad($rounding);

        return abs($psi) < self::STRAIGHT
            ? new Vector(0.0, 0.0, $length)
            : new Vector(($length * (1 - cos($psi))) / $psi, 0.0, ($length * sin($psi)) / $psi);
    }
}
