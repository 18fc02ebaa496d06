<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Reason\Reason;

/** Weeks of sessions, what did not fit, and when to test again. */
final readonly class Plan
{
    /**
     * @param list<PlannedWeek> $weeks
     * @param array<string, Reason> $leftOut by posture
     * @param list<array{week: int, on: \DateTimeImmutable, tests: list<string>}> $retests
     */
    public function __construct(public array $weeks, public array $leftOut, public array $retests)
    {
    }

    public function session(int $week, int $session): ?PlannedSession
    {
        return ($this->weeks[$week] ?? null)?->sessions[$session] ?? null;
    }

    /** @return list<PlannedSession> of all weeks, in the order of their days */
    public function sessions(): array
    {
        return array_merge(...array_map(static fn (PlannedWeek $week): array => $week->sessions, $this->weeks));
    }

    /** @return array{int, int}|null week and place of the session of a day, where something is done on it */
    public function on(string $day): ?array
    {
        foreach ($this->weeks as $w => $week) {
            foreach ($week->sessions as $s => $session) {
                if (Day::of($session->on) === $day && [] !== $session->items) {
                    return [$w, $s];
                }
            }
        }

        return null;
    }

    /** @param array<int, PlannedSession> $changed sessions of a week, by place */
    public function with(int $week, array $changed): self
    {
        $weeks = $this->weeks;
        $weeks[$week] = $weeks[$week]->with($changed);

        return new self(array_values($weeks), $this->leftOut, $this->retests);
    }

    /**
     * @param callable(PlannedSession, int, int): PlannedSession $change a session with its week and place
     */
    public function map(callable $change): self
    {
        $weeks = [];
        foreach ($this->weeks as $w => $week) {
            $sessions = [];
            foreach ($week->sessions as $s => $session) {
                $sessions[] = $change($session, $w, $s);
            }
            $weeks[] = new PlannedWeek($sessions, $week->isLight, $week->note);
        }

        return new self($weeks, $this->leftOut, $this->retests);
    }

    /** What is for every day of a week between the sessions; null where there is nothing. */
    public function dailyNote(int $week = 0): ?Reason
    {
        return ($this->weeks[$week] ?? null)?->note;
    }

    /** The same of the week of a day; of the last one after it. */
    public function noteOn(string $day): ?Reason
    {
        $note = null;
        foreach ($this->weeks as $week) {
            if (null === $note || (isset($week->sessions[0]) && Day::of($week->sessions[0]->on) <= $day)) {
                $note = $week->note;
            }
        }

        return $note;
    }
}
