<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure\Leg;

use LucidAscent\Core\Figure\Joint;
use LucidAscent\Core\Figure\Limb;
use LucidAscent\Core\LegChain\Vector;

/**
 * By where the foot is: ahead of the hip joint, outward of it and above the floor, in hundredths of the stature.
 * The knee goes where it is told to.
 */
final readonly class FootAt implements LegPlacement
{
    /**
     * @param float|null $up of the ankle, in hundredths of the stature; on the floor, sole down, where nothing is said
     * @param Vector $knee towards which the knee points: ahead, outward, up
     * @param Vector|null $toes where the toes point, likewise; along the knee's way over the floor where nothing is
     *     said
     */
    public function __construct(
        private float $ahead,
        private float $out,
        private ?float $up,
        private Vector $knee,
        private ?Vector $toes,
    ) {
    }

    public function place(Joint $hip): Limb
    {
        $body = $hip->physique;
        $leg = $body->leg($hip->side);
        $outward = $hip->outward();
        $target = new Vector(
            $hip->at->x + $body->hundredths($this->ahead),
            $hip->at->y + $outward * $body->hundredths($this->out),
            null === $this->up ? $leg->ankleAboveSole : $body->hundredths($this->up),
        );
        [$knee, $ankle, $miss] = Limb::reach(
            $hip->at,
            $target,
            $leg->thigh,
            $leg->shin,
            new Vector($this->knee->x, $outward * $this->knee->y, $this->knee->z),
        );
        $toes = $this->toes ?? new Vector($this->knee->x + 0.001, $this->knee->y, 0.0);

        return new Limb(
            $hip->at,
            $knee,
            $ankle,
            $ankle->plus(Limb::unit(new Vector($toes->x, $outward * $toes->y, $toes->z))->times($body->foot())),
            $miss,
        );
    }
}
