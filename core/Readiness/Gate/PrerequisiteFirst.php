<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\KnownPerson;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** A posture that is tried only when others are in reach: known or not, without them it is not yet shown. */
abstract class PrerequisiteFirst implements Gate
{
    /** @return list<string> ids of the postures that come first */
    abstract protected function needs(): array;

    final public function check(KnownPerson $person, Side $side, callable $isInReach): GateFinding
    {
        $missing = array_values(array_filter($this->needs(), static fn (string $posture): bool => !$isInReach($posture)));

        return [] === $missing
            ? new GateFinding(State::Open, new Reason('gate.passed', Source::Trade, ['postures' => implode(', ', $this->needs())]))
            : new GateFinding(State::Unknown, new Reason('gate.first', Source::Trade, ['postures' => implode(', ', $missing)]));
    }
}
