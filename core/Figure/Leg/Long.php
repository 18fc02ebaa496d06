<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure\Leg;

use LucidAscent\Core\Figure\Joint;
use LucidAscent\Core\Figure\Limb;
use LucidAscent\Core\LegChain\Vector;

/** Straight along the floor, in one direction, toes up or pointed on. */
final readonly class Long implements LegPlacement
{
    /**
     * @param float $towards over the floor, in degrees: 0 ahead, 90 outward, 180 behind
     * @param bool $isFaceDown whether the top of the foot lies on the floor
     * @param float $raised the heel above the floor, in hundredths of the stature
     */
    public function __construct(
        private float $towards,
        private bool $isFaceDown = false,
        private float $raised = 0.0,
    ) {
    }

    public function place(Joint $hip): Limb
    {
        $leg = $hip->physique->leg($hip->side);
        $low =
            $hip->physique->radii('foot')[0] +
            ($this->isFaceDown ? 0.0 : $hip->physique->heel()) -
            0.5 +
            $hip->physique->hundredths($this->raised);
        $long = $leg->thigh + $leg->shin - 1e-3;
        $flat = sqrt(max(0.0, $long ** 2 - ($hip->at->z - $low) ** 2));
        $way = $hip->way($this->towards);
        $target = new Vector($hip->at->x + $flat * $way->x, $hip->at->y + $flat * $way->y, $low);
        [$knee, $ankle, $miss] = Limb::reach(
            $hip->at,
            $target,
            $leg->thigh,
            $leg->shin,
            new Vector(0.0, 0.0, $this->isFaceDown ? -1.0 : 1.0),
        );
        $toe = $this->isFaceDown ? $way : new Vector($way->x * 0.25, $way->y * 0.25, 1.0);

        return new Limb(
            $hip->at,
            $knee,
            $ankle,
            $ankle->plus(Limb::unit($toe)->times($hip->physique->foot())),
            $miss,
            $this->isFaceDown ? new Vector(0.0, 0.0, -1.0) : null,
        );
    }
}
