<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

use LucidAscent\Core\Calendar\Day;

/**
 * Clean sessions on one rung, one right after the other: another rung, a session that was not clean or a break after
 * which all of it lapses begins anew.
 */
final readonly class CleanRun
{
    /** @param list<ReadinessCheck> $checks the oldest first, one a day and rung */
    private function __construct(public array $checks = [], private ?ReadinessCheck $last = null)
    {
    }

    public static function none(): self
    {
        return new self();
    }

    /** @param iterable<ReadinessCheck> $checks the oldest first, one a day and rung */
    public static function of(iterable $checks): self
    {
        $run = self::none();
        foreach ($checks as $check) {
            $run = $run->with($check);
        }

        return $run;
    }

    public function with(ReadinessCheck $next): self
    {
        $isLapsed = null !== $this->last && Passes::hasLapsed($this->last->on, $next->on);
        $goesOn = !$isLapsed && ($this->checks[0] ?? $next)->rung === $next->rung;

        return new self($next->isClean() ? [...$goesOn ? $this->checks : [], $next] : [], $next);
    }

    /** @param bool $takesDays whether days have to go by on that rung */
    public function isEnough(bool $takesDays): bool
    {
        return count($this->checks) >= Passes::SESSIONS && (!$takesDays || $this->days() >= Passes::SPAN_DAYS);
    }

    /** Whole days from the first of them to the last. */
    public function days(): int
    {
        return [] === $this->checks
            ? 0
            : Day::between($this->checks[0]->on, $this->checks[count($this->checks) - 1]->on);
    }
}
