<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Segment;

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

    public function times(float $factor): self
    {
        $scaled = static fn (float $slope): float => self::moved($slope, $factor);

        return new self(array_map($scaled, $this->toBody), array_map($scaled, $this->toReading));
    }

    /** Of the sum of two figures of one body; a reading that is in both counts once, with its sign. */
    public function plus(self $other): self
    {
        return new self(self::added($this->toBody, $other->toBody), self::added($this->toReading, $other->toReading));
    }

    /** Of the difference of two figures of one body. */
    public function minus(self $other): self
    {
        return $this->plus($other->times(-1.0));
    }

    /** How far one SD moves a figure: what is known exactly moves nothing, however steep the slope. */
    public static function moved(float $slope, float $sd): float
    {
        return 0.0 === $sd ? 0.0 : $slope * $sd;
    }

    /** One SD from the readings alone. */
    public function readingError(): float
    {
        return sqrt(array_sum(array_map(static fn (float $moved): float => $moved ** 2, $this->toReading)));
    }

    /** One SD from body and readings together. */
    public function error(BodyError $body): float
    {
        $variance = $this->readingError() ** 2;
        foreach ($this->toBody as $segment => $slope) {
            $variance += self::moved($slope, $body->sd(Segment::from($segment))) ** 2;
        }

        return sqrt($variance);
    }

    /**
     * @param array<string, float> $one
     * @param array<string, float> $other
     *
     * @return array<string, float>
     */
    private static function added(array $one, array $other): array
    {
        foreach ($other as $name => $slope) {
            $sum = ($one[$name] ?? 0.0) + $slope;
            // Of two slopes without bound nobody can say that they cancel.
            $one[$name] = is_nan($sum) ? INF : $sum;
        }

        return $one;
    }
}
