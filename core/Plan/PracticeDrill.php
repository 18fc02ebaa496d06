<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/** One movement, practised again and again, in a position that is a rung: what closes the rung closes it. */
final readonly class PracticeDrill
{
    /** What tells its id from a posture's. */
    public const KEY = 'drill/';

    /**
     * @param PracticeRung $uses the position
     * @param HoldRange $range how long it takes on one side
     * @param float $repetition seconds of one of its repetitions; 0 where it is not counted
     * @param bool $eachSide one side after the other; else both at once or in turns
     * @param list<string> $remedies what it helps with, by the names of Remedy
     */
    public function __construct(
        public string $id,
        public string $name,
        public PracticeRung $uses,
        public HoldRange $range,
        public float $repetition,
        public bool $eachSide,
        public array $remedies,
    ) {
    }

    /** @return int|null how often in so many seconds; null where it is not counted */
    public function repetitions(int $seconds): ?int
    {
        return 0.0 === $this->repetition ? null : max(1, (int) round($seconds / $this->repetition));
    }
}
