<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/** How long a shape is held on one side, in seconds: at the beginning, and at most. */
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

    public function __construct(public float $least, public float $most)
    {
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

        return new self($least * $seconds, $most * $seconds);
    }
}
