<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Reason\Reason;

/** Weeks of sessions, what did not fit, and when to test again. */
final readonly class Plan
{
    /**
     * @param list<array{light: bool, sessions: list<PlannedSession>}> $weeks
     * @param array<string, Reason> $leftOut by posture
     * @param list<array{week: int, on: \DateTimeImmutable, tests: list<string>}> $retests
     */
    public function __construct(public array $weeks, public array $leftOut, public array $retests)
    {
    }
}
