<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Body\UpperBody;
use LucidAscent\Core\LegChain\LegChain;

/**
 * How far the spine bends back when kneeling hands just reach a block, in degrees.
 *
 * The thighs stand upright on knees 5 cm thick, the torso is an arc that bends evenly, and the arms
 * hang from its end: the block is as high as what is left. This product's own reckoning.
 */
final class KneelingBackbend
{
    /** @param float $block height that the hands reach, in cm */
    public static function degrees(float $block, Proportions $proportions): float
    {
        $stature = $proportions->stature->cm;
        $standing =
            $proportions->length(Segment::Thigh, Side::Left)->cm +
            LegChain::HALF_KNEE -
            UpperBody::Arm->ofStature($stature);
        $torso = UpperBody::Torso->ofStature($stature);
        $height = static fn (float $bend): float => $standing + ($bend > 0.0 ? ($torso * sin($bend)) / $bend : $torso);
        [$low, $high] = [0.0, M_PI];
        for ($i = 0; $i < 40; ++$i) {
            $middle = ($low + $high) / 2;
            $height($middle) > $block ? ($low = $middle) : ($high = $middle);
        }

        return rad2deg(($low + $high) / 2);
    }
}
