<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;

/** What a gate says. */
final readonly class GateFinding
{
    /**
     * @param State $best how good the state behind it can be: open or near when it is met, first when it is known not
     *     to
     *     be, unknown when nobody has asked or read it
     * @param string $posture the posture that comes first, by its id; empty where a test tells it
     * @param string $gate the test that reads or watches it, by its id; empty where it is a posture
     * @param string $test what to take or ask next; empty when no test would open it
     */
    private function __construct(
        public State $best,
        public Reason $reason,
        public string $posture = '',
        public string $gate = '',
        public string $test = '',
    ) {
    }

    /** @param State $best that of the posture which comes first */
    public static function ofPosture(string $posture, State $best, Reason $reason): self
    {
        return new self($best, $reason, $posture);
    }

    /** @param bool $isWorthTaking whether taking the test again would tell more */
    public static function ofTest(string $gate, State $best, Reason $reason, bool $isWorthTaking): self
    {
        return new self($best, $reason, gate: $gate, test: $isWorthTaking ? $gate : '');
    }

    public function isMet(): bool
    {
        return $this->best->isInReach();
    }

    /** Whether it is known not to be met, and nothing about it is missing. */
    public function isKnownShut(): bool
    {
        return State::First === $this->best;
    }
}
