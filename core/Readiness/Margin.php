<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\SmallestChange;

/** Capacity less demand of one component on one side, in degrees, with its error (one SD). */
final readonly class Margin
{
    public function __construct(
        public Component $component,
        public float $capacity,
        public Bound $bound,
        public float $demand,
        public float $error,
    ) {
    }

    public function degrees(): float
    {
        return $this->capacity - $this->demand;
    }

    public function smallestChange(): float
    {
        return SmallestChange::of($this->error);
    }

    /** A lower bound can open a posture; it can never call it short. */
    public function state(): State
    {
        if (Bound::AtLeast === $this->bound && $this->degrees() < 0.0) {
            return State::Unknown;
        }
        if ($this->degrees() >= $this->smallestChange()) {
            return State::Open;
        }

        return $this->degrees() > -$this->smallestChange() ? State::Near : State::Short;
    }
}
