<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/**
 * How well a body is known: one standard deviation per length, in cm. These errors are made
 * once, when the body is measured, and are shared by everything computed for that person.
 */
final readonly class BodyError
{
    /** @param array<string, float> $sd by the segment's name */
    private function __construct(private array $sd)
    {
    }

    /** Every length measured from landmark to landmark. */
    public static function measured(): self
    {
        return self::of(static fn (Segment $segment): float => $segment->measuringError());
    }

    /** @param callable(Segment): float $sdOf */
    public static function of(callable $sdOf): self
    {
        $sd = [];
        foreach (Segment::cases() as $segment) {
            $sd[$segment->value] = Check::notNegative($segment->value, $sdOf($segment));
        }

        return new self($sd);
    }

    /** One standard deviation of a segment's length, in cm. */
    public function sd(Segment $segment): float
    {
        return $this->sd[$segment->value];
    }

    /** By the segment's name. */
    public function named(string $segment): float
    {
        return $this->sd[$segment];
    }
}
