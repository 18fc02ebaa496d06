<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;

/** What a gate says. */
final readonly class GateFinding
{
    /**
     * @param State $best how good the full form's state can be behind it: open when it is met
     * @param string $test what to ask or read next, by the catalogue's id; empty when no test opens it
     * @param string $first the posture that comes first, by its id; empty when there is none
     * @param bool $isRefused whether it was asked, and the answer was no
     */
    public function __construct(public State $best, public Reason $reason, public string $test = '', public string $first = '', public bool $isRefused = false)
    {
    }

    public function isMet(): bool
    {
        return State::Open === $this->best;
    }
}
