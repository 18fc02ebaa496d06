<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Practice\Since;
use LucidAscent\Core\Readiness\KnownPerson;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** A posture that is tried only when another is in reach: known or not, without it this one is not yet shown (common practice). */
final readonly class PostureFirst implements Gate
{
    public function __construct(private string $posture)
    {
    }

    public function check(KnownPerson $person, Side $side, callable $isInReach, ?Since $since): GateFinding
    {
        return $isInReach($this->posture)
            ? new GateFinding(State::Open, new Reason('gate.passed', Source::Trade, ['postures' => [$this->posture]]))
            : new GateFinding(State::Unknown, new Reason('gate.first', Source::Trade, ['postures' => [$this->posture]]), first: $this->posture);
    }
}
