<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/** The parts of a session, in their order but for counterposes, which follow what they undo. */
enum Phase: string
{
    case WarmUp = 'warm-up';
    case Work = 'work';
    case Counter = 'counter';
    case Rest = 'rest';
}
