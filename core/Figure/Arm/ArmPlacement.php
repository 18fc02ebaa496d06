<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure\Arm;

use LucidAscent\Core\Figure\Joint;
use LucidAscent\Core\Figure\Limb;

/** One way of saying where an arm is. */
interface ArmPlacement
{
    public function place(Joint $shoulder): Limb;
}
