<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

/**
 * Whether soles-together sitting lets a side try half lotus at all.
 *
 * The rule is common practice: feet close in and knees near the floor, it may be tried; feet far
 * forward and knees above the hip line, not now; between the two, lying or with support. Common
 * practice names no numbers: those here are this product's own, in cm. Within the error of the tape
 * the careful side of each limit is taken.
 */
final class LotusGate
{
    public const CLOSE_HEELS = 15.0;
    public const FAR_HEELS = 30.0;
    /** A hand's breadth. */
    public const LOW_KNEE = 10.0;
    /** A knee is high when its centre is more than this above the hip joint's. */
    public const HIGH_ABOVE_HIP = 5.0;

    /**
     * @param float $hipHeight hip joint centre above the floor; all in cm
     * @param float $error one SD of what was read, in cm
     */
    public static function outcome(
        float $heelDistance,
        float $kneeHeight,
        float $hipHeight,
        float $error = 0.0,
    ): GateOutcome {
        if ($heelDistance + $error <= self::CLOSE_HEELS && $kneeHeight + $error <= self::LOW_KNEE) {
            return GateOutcome::MayTry;
        }
        if ($heelDistance + $error > self::FAR_HEELS && $kneeHeight + $error > $hipHeight + self::HIGH_ABOVE_HIP) {
            return GateOutcome::NotNow;
        }

        return GateOutcome::Supported;
    }
}
