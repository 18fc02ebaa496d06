<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;

/** What hands or elbows are to get to in a shape, whoever is in it. */
interface Reach
{
    public function kind(): ReachKind;

    /**
     * @param Side $working the side that works
     *
     * @throws \DomainException when a body of these lengths cannot be in the shape
     */
    public function of(Proportions $body, Side $working): BodyReach;
}
