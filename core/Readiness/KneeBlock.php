<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\LegPose;

/** What holds the knee up: the lowest knee height that the angles shown so far allow, in cm. */
final readonly class KneeBlock
{
    /** @param Component|null $limiter the angle that forbids going lower; null at the floor */
    public function __construct(public float $height, public ?Component $limiter, public LegPose $pose)
    {
    }
}
