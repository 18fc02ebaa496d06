<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\Prop;

/** How the height of a rung's prop is found. */
enum PropRule: string
{
    case None = 'none';
    /** Under the seat, until the knees are no higher than the hips in soles-together sitting. */
    case LevelSeat = 'level-seat';
    /** Under the knee: the lowest knee height that this side's angles allow, and that is what the rung asks for. */
    case KneeBlock = 'knee-block';
    /** Under a knee that does not come down yet: as far as it comes by this side's angles. What the rung asks stays. */
    case KneeGap = 'knee-gap';
    /** Under the front hip, likewise. */
    case HipGap = 'hip-gap';
    /** A strap between the hands, as long as the reach of this body leaves them apart. */
    case HandsGap = 'hands-gap';
    /** A strap between hand and foot, likewise. */
    case FootStrap = 'foot-strap';

    /** No block is stacked higher than this, no strap is longer, and no joint on one lies higher, in cm. */
    private const MOST = 60.0;
    private const MOST_OF_STRAP = 150.0;
    public const MOST_OF_JOINT = 80.0;

    /** The most that it can be, in cm: its top above the floor, or the length of a strap. */
    public function most(): float
    {
        return $this->isStrap() ? self::MOST_OF_STRAP : self::MOST;
    }

    /** Which joint lies on it, as the leg chain has it. */
    public function carries(): ?Prop
    {
        return match ($this) {
            self::KneeBlock, self::KneeGap => Prop::KneeBlock,
            self::HipGap => Prop::HipBlock,
            default => null,
        };
    }

    /** From the top of the prop to the middle of the joint that lies on it, in cm. */
    public function below(Body $body): float
    {
        return match ($this->carries()) {
            Prop::KneeBlock => LegChain::HALF_KNEE,
            Prop::HipBlock => $body->seatedHipHeight,
            default => 0.0,
        };
    }

    /** Whether what the rung asks depends on how high the prop is: seen without its height, it shows no angle. */
    public function decidesDemand(): bool
    {
        return self::KneeBlock === $this || self::LevelSeat === $this;
    }

    /** Whether it is a length between two hands, or hand and foot, and no height above the floor. */
    public function isStrap(): bool
    {
        return self::HandsGap === $this || self::FootStrap === $this;
    }
}
