<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\SmallestChange;

/**
 * A knee that lies lower in the one-leg forward fold than in soles-together sitting: the pelvis was
 * rolling, and the fold flatters the hip (common practice).
 */
final class SameLegTwoPoses
{
    /**
     * @param float $inFold knee height in the one-leg forward fold, in cm
     * @param float $inSoles knee height in soles-together sitting, in cm
     * @param float $sd one SD of each, in cm
     */
    public static function reason(float $inFold, float $inSoles, float $sd): ?Reason
    {
        return $inSoles - $inFold > SmallestChange::of($sd)
            ? new Reason('same-leg.pelvis-rolls', Source::Trade, ['fold' => $inFold, 'soles' => $inSoles])
            : null;
    }
}
