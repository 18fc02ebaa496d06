<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure\Leg;

use LucidAscent\Core\Figure\Joint;
use LucidAscent\Core\Figure\Limb;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\Vector;

/** On its knee: the thigh goes down in one direction over the floor, the shin lies in another. */
final readonly class Kneels implements LegPlacement
{
    /**
     * @param float $thigh over the floor, in degrees: 0 ahead, 90 outward, 180 behind
     * @param float $shin likewise
     * @param float $up how far the shin is raised off the floor, in degrees
     */
    public function __construct(
        private float $thigh,
        private float $shin,
        private bool $isTucked = false,
        private float $up = 0.0,
    ) {
    }

    public function place(Joint $hip): Limb
    {
        $leg = $hip->physique->leg($hip->side);
        $drop = $hip->at->z - LegChain::HALF_KNEE;
        $over = sqrt(max(0.0, $leg->thigh ** 2 - $drop ** 2));
        $way = $hip->way($this->thigh);
        $knee =
            0.0 === $over
                ? $hip->at->minus(new Vector(0.0, 0.0, $leg->thigh))
                : new Vector($hip->at->x + $over * $way->x, $hip->at->y + $over * $way->y, LegChain::HALF_KNEE);
        $low = $hip->physique->radii('shin')[1] + ($this->isTucked ? $hip->physique->hundredths(4.5) : 0.0);
        $along = $hip->way($this->shin);
        if (0.0 !== $this->up) {
            return self::raised($hip, $knee, $along, $this->up);
        }
        $flat = sqrt(max(0.0, $leg->shin ** 2 - ($low - $knee->z) ** 2));
        $ankle = new Vector($knee->x + $flat * $along->x, $knee->y + $flat * $along->y, $low);
        $toe = $this->isTucked
            ? new Vector(-$along->x * 0.45, -$along->y * 0.45, -0.5)
            : new Vector($along->x, $along->y, -0.12);

        return new Limb(
            $hip->at,
            $knee,
            $ankle,
            $ankle->plus(Limb::unit($toe)->times($hip->physique->foot() * ($this->isTucked ? 0.6 : 1.0))),
            max(0.0, $drop - $leg->thigh),
            $this->isTucked ? null : new Vector(0.0, 0.0, -1.0),
        );
    }

    private static function raised(Joint $hip, Vector $knee, Vector $along, float $up): Limb
    {
        $shin = $along->times(cos(deg2rad($up)))->plus(new Vector(0.0, 0.0, sin(deg2rad($up))));
        $ankle = $knee->plus($shin->times($hip->physique->leg($hip->side)->shin));
        $toe = Limb::unit($shin->minus(Limb::across($shin, $along)->times(0.5)));

        return new Limb(
            $hip->at,
            $knee,
            $ankle,
            $ankle->plus($toe->times($hip->physique->foot())),
            0.0,
            $along->times(-1.0),
        );
    }
}
