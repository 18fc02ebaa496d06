<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Caution\Pain;

/** What was seen when a rung was practised on one side. */
final readonly class ReadinessCheck
{
    /** Pain up to this level, outside the knee, does not spoil a session (common practice). */
    public const CLEAN_PAIN = 2;

    /** @param list<string> $compensations ids from the catalogue */
    public function __construct(
        public string $rung,
        public \DateTimeImmutable $on,
        public bool $holdReached,
        public bool $evenBreath,
        public Pain $pain,
        public array $compensations = [],
        public bool $soreAtNight = false,
    ) {
    }

    public function isClean(): bool
    {
        return $this->holdReached
            && $this->evenBreath
            && [] === $this->compensations
            && !$this->soreAtNight
            && $this->pain->level <= self::CLEAN_PAIN
            && !$this->pain->stops();
    }

    public function day(): string
    {
        return $this->on->format('Y-m-d');
    }
}
