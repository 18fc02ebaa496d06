<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Practice\Since;
use LucidAscent\Core\Readiness\KnownPerson;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Something that is watched, and answered with yes or no (common practice). */
final readonly class Watched implements Gate
{
    public function __construct(private string $test)
    {
    }

    public function check(KnownPerson $person, Side $side, callable $isInReach, ?Since $since): GateFinding
    {
        $answer = $person->observed($this->test, $side, $since);

        return match ($answer) {
            true => new GateFinding(State::Open, new Reason('gate.seen', Source::Trade, ['test' => $this->test]), $this->test),
            false => new GateFinding(State::Unknown, new Reason('gate.refused', Source::Trade, ['test' => $this->test]), $this->test, isRefused: true),
            null => new GateFinding(State::Unknown, new Reason('gate.not-asked', Source::Trade, ['test' => $this->test]), $this->test),
        };
    }
}
