<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/**
 * How long a shape is held on one side, in seconds: at the beginning, and at most; and what it is counted in, which is
 * its own and no school's.
 */
final readonly class HoldRange
{
    /** A breath at rest (common practice). */
    public const BREATH = 5.0;
    /** Eight seconds of pressing, twenty-five of yielding (common practice: 5 to 10, and 20 to 30). */
    public const PRESS = 8.0;
    public const PRESS_AND_YIELD = self::PRESS + 25.0;
    /** A movement there and back. */
    public const MOVEMENT = 10.0;
    private const MINUTE = 60.0;

    /**
     * @param string $unit seconds, minutes, breaths or repetitions
     * @param float $each seconds of one of these
     */
    public function __construct(
        public float $least,
        public float $most,
        public string $unit = 'seconds',
        public float $each = 1.0,
    ) {
    }

    /** @param string $unit seconds, minutes, breaths or repetitions */
    public static function in(string $unit, float $least, float $most, float $repetition = self::MOVEMENT): self
    {
        $seconds = match ($unit) {
            'minutes' => self::MINUTE,
            'breaths' => self::BREATH,
            'repetitions' => $repetition,
            default => 1.0,
        };

        return new self($least * $seconds, $most * $seconds, $unit, $seconds);
    }

    /** @return int|null how many of a unit so many seconds are, within the range; null where it is counted otherwise */
    public function count(string $unit, float $seconds): ?int
    {
        return $unit === $this->unit
            ? (int) round(max($this->least, min($this->most, $seconds)) / $this->each)
            : null;
    }

    /** Seconds as a teacher would say them, and within the range whatever that comes to. */
    public function hold(float $seconds): int
    {
        return (int) max(ceil($this->least), min(floor($this->most), FillTime::grain($seconds)));
    }
}
