<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Something that is watched, and answered with yes or no (common practice). */
final readonly class Watched implements Gate
{
    public function __construct(private string $test)
    {
    }

    public function check(Snapshot $person, Side $side, callable $stateOf, ?EvidenceCutOff $since): GateFinding
    {
        [$best, $code] = match ($person->observed($this->test, $side, $since)) {
            true => [State::Open, 'gate.seen'],
            false => [State::First, 'gate.refused'],
            null => [State::Unknown, 'gate.not-asked'],
        };

        return GateFinding::ofTest(
            $this->test,
            $best,
            new Reason($code, Source::Trade, ['test' => $this->test]),
            State::Unknown === $best,
        );
    }
}
