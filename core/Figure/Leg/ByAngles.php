<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure\Leg;

use LucidAscent\Core\Figure\Joint;
use LucidAscent\Core\Figure\Limb;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Vector;

/**
 * By its joint angles in the pelvis's frame, and by how far the foot is pointed (0 at a right angle to the shin, 90 in
 * line with it).
 */
final readonly class ByAngles implements LegPlacement
{
    public function __construct(public LegAngles $angles, public float $pointed = 0.0)
    {
    }

    public function place(Joint $hip): Limb
    {
        $leg = $hip->physique->leg($hip->side);
        [$thigh, $shin, $front] = Limb::directions($hip->frame, $hip->outward(), $this->angles);
        $knee = $hip->at->plus($thigh->times($leg->thigh));
        $ankle = $knee->plus($shin->times($leg->shin));

        return new Limb(
            $hip->at,
            $knee,
            $ankle,
            $ankle->plus(self::foot($hip, $ankle, $front, $shin, $this->pointed)),
            0.0,
            $front,
        );
    }

    /** The foot goes where the shin's front points; near the floor it points as far as it has to, and no further. */
    private static function foot(Joint $hip, Vector $ankle, Vector $front, Vector $shin, float $pointed): Vector
    {
        $low = $hip->physique->radii('foot')[1];
        $best = $lowest = null;
        foreach ([0.0, 15.0, 30.0, 45.0, -15.0, 60.0, -30.0] as $more) {
            $p = deg2rad(min(85.0, max(-25.0, $pointed + $more)));
            $foot = $front->times(cos($p))->plus($shin->times(sin($p)));
            $sole = $shin->z * cos($p) - $front->z * sin($p);
            $tip = $ankle->z + $foot->z * $hip->physique->foot() + $sole * $hip->physique->hundredths(2.5);
            $heel = $ankle->z - $foot->z * $hip->physique->heel() + $sole * $hip->physique->hundredths(1.7);
            if (null === $best || min($tip, $heel) > $lowest) {
                [$best, $lowest] = [$foot, min($tip, $heel)];
            }
            if (min($tip, $heel) >= $low + 0.5) {
                $best = $foot;
                break;
            }
        }

        return $best->times($hip->physique->foot());
    }
}
