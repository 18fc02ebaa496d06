<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure\Leg;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Frame;
use LucidAscent\Core\Figure\Joint;
use LucidAscent\Core\Figure\Limb;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Contact\Drawn;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\Vector;
use LucidAscent\Core\Posture\RungDemand;

/** As the leg chain computes it: the drawing is the computation. */
final readonly class AsDemanded implements LegPlacement
{
    /**
     * Hips that go where a posture asks, in degrees: a knee that is free is drawn where the posture alone would have
     * it.
     */
    private const OPEN = [140.0, 70.0, 115.0, 160.0];

    /**
     * @param float $lifted how far the foot lies above where the chain has it, in cm: on the other shin, say
     * @param bool $isFlat whether the sole is on the floor
     * @param bool $isInPelvis whether the angles count, however the pelvis is turned; else the places do, however it
     *     tips over them
     */
    public function __construct(
        private RungDemand $demand,
        private float $pointed = 35.0,
        private float $lifted = 0.0,
        private bool $isFlat = false,
        public bool $isInPelvis = false,
    ) {
    }

    /**
     * The leg by itself; null where the demand does not say the whole of it, or a body of these lengths cannot be
     * there.
     */
    public function leg(Physique $body, Side $side): ?LegPose
    {
        $leg = $body->leg($side);
        try {
            $posture = $this->demand->posture(new Capacity(...self::OPEN), $body->upper($side));

            return match (true) {
                $posture instanceof ChainReading, $posture instanceof FreeKnee => $posture->pose($leg),
                $posture instanceof Drawn => $posture->drawn($leg),
                default => null,
            };
        } catch (\DomainException) {
            return null;
        }
    }

    /** @return array<string, float> the position's own numbers, in cm and degrees */
    public function values(): array
    {
        return $this->demand->values();
    }

    /** Whether it is drawn from just this demand. */
    public function isOf(RungDemand $demand): bool
    {
        return $this->demand->name() === $demand->name();
    }

    public function place(Joint $hip): Limb
    {
        $asked =
            $hip->demanded ??
            ($this->leg($hip->physique, $hip->side) ??
                throw new \DomainException('A leg of these lengths cannot be there.'));
        $limb = (new ByAngles($asked->angles, $this->pointed))->place(
            $this->isInPelvis ? $hip : $hip->in(Frame::upright()->tipped($this->values()['pelvicTilt'] ?? 0.0)),
        );
        if ($this->isFlat) {
            $toes = Limb::unit(new Vector($limb->tip->x - $limb->end->x, $limb->tip->y - $limb->end->y, 0.0));

            return new Limb(
                $limb->root,
                $limb->middle,
                $limb->end,
                $limb->end->plus($toes->times($hip->physique->foot())),
            );
        }
        if (0.0 === $this->lifted) {
            return $limb;
        }
        $leg = $hip->physique->leg($hip->side);
        [$knee, $ankle, $miss] = Limb::reach(
            $hip->at,
            $limb->end->plus(new Vector(0.0, 0.0, $this->lifted)),
            $leg->thigh,
            $leg->shin,
            $limb->middle->minus($hip->at),
        );

        return new Limb($hip->at, $knee, $ankle, $limb->tip->plus($ankle->minus($limb->end)), $miss);
    }
}
