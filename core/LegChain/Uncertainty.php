<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\BodyError;

/**
 * How one figure moves with the lengths of the body, and what its own readings add. Kept apart, so
 * that what two figures of one body share cancels before anything is squared.
 */
final readonly class Uncertainty
{
    /**
     * @param array<string, float> $toBody the figure's unit per cm, by segment
     * @param array<string, float> $toReading what one SD of each reading moves the figure by, by the reading's own name
     */
    public function __construct(public array $toBody, public array $toReading)
    {
    }

    /** Of a figure that was read as it is: no length of the body is in it. Readings of one name are one reading. */
    public static function ofReading(float $sd, string $name = 'reading'): self
    {
        return new self([], [$name => $sd]);
    }

    public static function none(): self
    {
        return new self([], []);
    }

    /** Whether nothing moves it. */
    public function isNone(): bool
    {
        return [] === $this->toBody && [] === $this->toReading;
    }

    /** Of a value that is so many times as large. */
    public function times(float $factor): self
    {
        if (1.0 === $factor) {
            return $this;
        }
        $scaled = static fn (float $slope): float => self::moved($slope, $factor);

        return new self(array_map($scaled, $this->toBody), array_map($scaled, $this->toReading));
    }

    /** Of the sum of two figures of one body; a reading that is in both counts once, with its sign. */
    public function plus(self $other): self
    {
        return new self(
            self::added($this->toBody, $other->toBody, 1.0),
            self::added($this->toReading, $other->toReading, 1.0),
        );
    }

    /** Of the difference of two figures of one body. */
    public function minus(self $other): self
    {
        return new self(
            self::added($this->toBody, $other->toBody, -1.0),
            self::added($this->toReading, $other->toReading, -1.0),
        );
    }

    /** How far one SD moves a figure: what is known exactly moves nothing, however steep the slope. */
    public static function moved(float $slope, float $sd): float
    {
        return 0.0 === $sd ? 0.0 : $slope * $sd;
    }

    /** One SD from the readings alone. */
    public function readingError(): float
    {
        return sqrt($this->readingVariance());
    }

    /** One SD from body and readings together. */
    public function error(BodyError $body): float
    {
        $variance = $this->readingVariance();
        foreach ($this->toBody as $segment => $slope) {
            $moved = self::moved($slope, $body->named($segment));
            $variance += $moved * $moved;
        }

        return sqrt($variance);
    }

    private function readingVariance(): float
    {
        $variance = 0.0;
        foreach ($this->toReading as $moved) {
            $variance += $moved * $moved;
        }

        return $variance;
    }

    /**
     * @param array<string, float> $one
     * @param array<string, float> $other
     *
     * @return array<string, float>
     */
    private static function added(array $one, array $other, float $sign): array
    {
        foreach ($other as $name => $slope) {
            $sum = ($one[$name] ?? 0.0) + $sign * $slope;
            // Of two slopes without bound nobody can say that they cancel.
            $one[$name] = is_nan($sum) ? INF : $sum;
        }

        return $one;
    }
}
