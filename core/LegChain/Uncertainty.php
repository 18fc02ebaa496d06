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
     * @param float $readingVariance in the figure's unit, squared
     */
    public function __construct(public array $toBody, public float $readingVariance)
    {
    }

    /** Of a figure that was read as it is: no length of the body is in it. */
    public static function ofReading(float $sd): self
    {
        return new self([], $sd ** 2);
    }

    public static function none(): self
    {
        return new self([], 0.0);
    }

    public function times(float $factor): self
    {
        return new self(array_map(static fn (float $slope): float => $factor * $slope, $this->toBody), $factor ** 2 * $this->readingVariance);
    }

    /** Of the sum of two figures with readings of their own. */
    public function plus(self $other): self
    {
        $toBody = $this->toBody;
        foreach ($other->toBody as $segment => $slope) {
            $toBody[$segment] = ($toBody[$segment] ?? 0.0) + $slope;
        }

        return new self($toBody, $this->readingVariance + $other->readingVariance);
    }

    /** Of the difference of two figures with readings of their own. */
    public function minus(self $other): self
    {
        return $this->plus($other->times(-1.0));
    }

    /** One SD from the readings alone. */
    public function readingError(): float
    {
        return sqrt($this->readingVariance);
    }

    /** One SD from body and readings together. */
    public function error(BodyError $body): float
    {
        $variance = $this->readingVariance;
        foreach ($this->toBody as $segment => $slope) {
            $sd = $body->sd(Segment::from($segment));
            // A length that is known exactly moves nothing, however steep the slope.
            $variance += $sd > 0.0 ? ($slope * $sd) ** 2 : 0.0;
        }

        return sqrt($variance);
    }
}
