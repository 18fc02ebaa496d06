<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;

/** What a gate says, and how good the posture's state can be behind it. */
final readonly class GateFinding
{
    public function __construct(public State $best, public Reason $reason)
    {
    }
}
