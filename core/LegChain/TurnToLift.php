<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/**
 * How far a thigh has to turn out for the ankle to come to a height, the thigh staying where it points: the height of
 * the ankle is a + b·cos ρ + c·sin ρ in the rotation ρ, so it is solved, not searched. A knee that is closed first
 * asks for less of it than one that is half bent.
 */
final class TurnToLift
{
    /**
     * @param float $flexion of the hip, in degrees; likewise abduction and the bend of the knee
     * @param float $height of the ankle above the hip joint, in cm
     *
     * @return float external rotation in degrees, from 0 to 180
     *
     * @throws OutOfReach when no turn lifts it there
     */
    public static function of(Body $body, float $flexion, float $abduction, float $knee, float $height): float
    {
        [$f, $a, $k] = [deg2rad($flexion), deg2rad($abduction), deg2rad($knee)];
        $thigh = -cos($a) * cos($f);
        $front = sin($f);
        $outside = sin($a) * cos($f);
        // T·thigh + S·(cos k·thigh − sin k·(front·cos ρ + outside·sin ρ)) = height
        $amplitude = hypot($front, $outside);
        $wanted =
            ($body->thigh * $thigh + $body->shin * cos($k) * $thigh - $height) / ($body->shin * sin($k) * $amplitude);
        if (!is_finite($wanted) || abs($wanted) > 1.0) {
            throw OutOfReach::because(sprintf('No turn of the thigh brings the ankle %.1f cm above the hip.', $height));
        }

        return rad2deg(acos($wanted) + atan2($outside, $front));
    }
}
