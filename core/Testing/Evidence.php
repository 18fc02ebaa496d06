<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Uncertainty;

/** What one reading shows of one ability on one side. */
final readonly class Evidence
{
    /** What was read, or seen, longer ago than this says nothing any more. */
    public const DAYS_VALID = 90;

    /**
     * @param float $value in the ability's unit
     * @param string $test the catalogue's id of the test, or what else it was read in
     * @param \DateTimeImmutable|null $on the day on which it was read
     * @param LegAngles|null $position where the leg was when it was read; null when that is not known
     * @param \DateTimeImmutable|null $at when it was entered; null where only the day is known
     * @param bool $isIsolating whether it was read by a test that isolates the ability, clean
     * @param bool|null $isWarm whether the body had been moved before; null when nobody said
     * @param bool $isWatched whether a teacher was there when it was read
     */
    public function __construct(
        public Ability $ability,
        public float $value,
        public Bound $bound,
        public Uncertainty $uncertainty,
        public string $test,
        public Tool $tool = Tool::Tape,
        public ?\DateTimeImmutable $on = null,
        public ?LegAngles $position = null,
        public ?\DateTimeImmutable $at = null,
        public bool $isIsolating = false,
        public ?bool $isWarm = null,
        public bool $isWatched = true,
    ) {
    }

    /** Whether it is the test that comes first after a stop was lifted: isolating, read to its end, and watched. */
    public function answersAWord(): bool
    {
        return $this->isIsolating && Bound::Exact === $this->bound && $this->isWatched;
    }

    /** By which test and tool, warm or cold: what all readings of it are off by alike. */
    public function setUp(): string
    {
        return "$this->test {$this->tool->value}".(null === $this->isWarm ? '' : ($this->isWarm ? ' warm' : ' cold'));
    }

    /** Whole days between two readings; of one whose day is not known nothing is said. */
    public function daysFrom(self $other): int
    {
        return null === $this->on || null === $other->on
            ? 0
            : abs(Day::between($this->on, $other->on));
    }
}
