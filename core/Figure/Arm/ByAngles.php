<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure\Arm;

use LucidAscent\Core\Figure\Joint;
use LucidAscent\Core\Figure\Limb;
use LucidAscent\Core\LegChain\LegAngles;

/**
 * By its joint angles in the chest's frame: raised forward, raised outward, turned out, elbow bent. Hanging down is all
 * zero.
 */
final readonly class ByAngles implements ArmPlacement
{
    public function __construct(
        private float $flexion,
        private float $abduction,
        private float $rotation = 0.0,
        private float $elbow = 0.0,
        private bool $isStrapped = false,
    ) {
    }

    public function place(Joint $shoulder): Limb
    {
        [$upper, $fore] = Limb::directions(
            $shoulder->frame,
            $shoulder->outward(),
            new LegAngles($this->flexion, $this->abduction, $this->rotation, $this->elbow),
            true,
        );
        $arm = $shoulder->physique->upper($shoulder->side);
        $elbow = $shoulder->at->plus($upper->times($arm->upperArm));
        $wrist = $elbow->plus($fore->times($arm->forearm));

        return new Limb(
            $shoulder->at,
            $elbow,
            $wrist,
            $wrist->plus($fore->times($shoulder->physique->hand())),
            isStrapped: $this->isStrapped,
        );
    }
}
