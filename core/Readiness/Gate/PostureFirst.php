<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * A posture that is tried only when another is in reach: nothing behind it reads better than that one does (common
 * practice).
 */
final readonly class PostureFirst implements Gate
{
    public function __construct(private string $posture)
    {
    }

    public function check(Snapshot $person, Side $side, callable $stateOf, ?EvidenceCutOff $since): GateFinding
    {
        $state = $stateOf($this->posture) ?? State::Unknown;
        [$best, $code] = match (true) {
            $state->isInReach() => [$state, 'gate.passed'],
            State::Unknown === $state => [State::Unknown, 'gate.first-unknown'],
            default => [State::First, 'gate.first'],
        };

        return GateFinding::ofPosture(
            $this->posture,
            $best,
            new Reason($code, Source::Trade, ['postures' => [$this->posture]]),
        );
    }
}
