<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\Figure\Arm\ArmPlacement;
use LucidAscent\Core\Figure\Leg\LegPlacement;

/**
 * How a body is held, whoever it is: angles in degrees, places in hundredths of the stature. Legs and arms are those
 * of the side that works, and the others.
 */
final readonly class Pose
{
    /**
     * @param HipHeight|float $hips what carries them, or how high they are in hundredths of the stature
     * @param float $tilt of the pelvis, forward positive: 0 upright, -90 on the back, 90 face down
     * @param float $lean of the pelvis, the working side upward positive
     * @param float $turn of the pelvis over the floor, towards the working side positive
     * @param float $roll of the pelvis about its own long axis, likewise
     * @param float $back how far the spine bends forward over its length
     * @param float $side how far it bends towards the working side
     * @param float $twist how far the shoulders turn towards the working side
     * @param float $neck how far the head bends forward
     * @param float|null $pressed how much of their thickness limbs press into one another here, where it is more than
     *     usual
     * @param float $raised what lies under the pelvis, in cm, where no prop says
     */
    public function __construct(
        public HipHeight|float $hips,
        public float $tilt,
        public float $lean,
        public float $turn,
        public float $roll,
        public float $back,
        public float $side,
        public float $twist,
        public float $neck,
        public float $raised,
        public LegPlacement $leg,
        public LegPlacement $otherLeg,
        public ArmPlacement $arm,
        public ArmPlacement $otherArm,
        public ?float $pressed = null,
    ) {
    }
}
