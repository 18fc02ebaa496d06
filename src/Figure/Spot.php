<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\Core\LegChain\Vector;

/** A place that is marked on a figure. */
final readonly class Spot
{
    /**
     * @param Vector $at in the ground frame, in cm
     * @param float $radius in cm
     * @param string $class how it is drawn
     */
    public function __construct(public Vector $at, public float $radius, public string $class)
    {
    }
}
