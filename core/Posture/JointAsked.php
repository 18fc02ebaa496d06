<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;

/** How much of an ability a reach asks of one side, in the ability's unit. */
final readonly class JointAsked
{
    public function __construct(public Ability $ability, public Side $side, public float $asked)
    {
    }

    public function name(): string
    {
        return $this->ability->value.' '.$this->side->value;
    }

    /** How much is missing; below zero where there is more than that. */
    public function missing(float $has): float
    {
        return $this->ability->turn() * ($this->asked - $has);
    }
}
