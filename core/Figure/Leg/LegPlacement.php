<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure\Leg;

use LucidAscent\Core\Figure\Joint;
use LucidAscent\Core\Figure\Limb;

/** One way of saying where a leg is. */
interface LegPlacement
{
    public function place(Joint $hip): Limb;
}
