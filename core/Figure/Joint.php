<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\Vector;

/** Where a limb hangs: its joint, how the part that carries it is turned, of whom, and what it may take hold of. */
final readonly class Joint
{
    /**
     * @param array<string, Vector> $points what has been placed already, by name, in cm
     * @param LegPose|null $demanded the leg as the rung asks for it, where it does
     * @param float $propHeight of what lies under a hand, in cm
     */
    public function __construct(
        public Vector $at,
        public Frame $frame,
        public Side $side,
        public Physique $physique,
        public array $points = [],
        public ?LegPose $demanded = null,
        public float $propHeight = 0.0,
    ) {
    }

    /** 1 on the left side, -1 on the right. */
    public function outward(): float
    {
        return $this->side->outward();
    }

    /** A direction over the floor, in degrees: 0 ahead, 90 outward, 180 behind. */
    public function way(float $degrees): Vector
    {
        return new Vector(cos(deg2rad($degrees)), $this->outward() * sin(deg2rad($degrees)), 0.0);
    }

    /** The same joint of a part that is turned otherwise. */
    public function in(Frame $frame): self
    {
        return new self(
            $this->at,
            $frame,
            $this->side,
            $this->physique,
            $this->points,
            $this->demanded,
            $this->propHeight,
        );
    }

    /** A point named from this side: "foot" is this side's, "other-foot" the other's, "head" the one there is. */
    public function point(string $name): ?Vector
    {
        $other = str_starts_with($name, 'other-');
        $side = $other ? $this->side->opposite() : $this->side;
        $bare = $other ? substr($name, 6) : $name;

        return $this->points[$side->value.'-'.$bare] ?? ($this->points[$bare] ?? null);
    }
}
