<?php

declare(strict_types=1);

namespace LucidAscent\Core\Statistics;

/** Several suppositions about the noise, each with its weight and what follows from it: a mixture of normal distributions. */
final readonly class Mixture
{
    private const STEPS = 60;
    private const TAILS = 12.0;

    /** @param non-empty-list<array{weight: float, mean: float, sd: float}> $parts of weights that sum up to one */
    public function __construct(public array $parts)
    {
    }

    public function mean(): float
    {
        return array_sum(array_map(static fn (array $part): float => $part['weight'] * $part['mean'], $this->parts));
    }

    public function sd(): float
    {
        $mean = $this->mean();

        return sqrt(array_sum(array_map(static fn (array $part): float => $part['weight'] * ($part['sd'] ** 2 + ($part['mean'] - $mean) ** 2), $this->parts)));
    }

    /** The chance of being below a value. */
    public function below(float $value): float
    {
        return array_sum(array_map(static fn (array $part): float => $part['weight'] * ($part['sd'] > 0.0 ? Normal::below(($value - $part['mean']) / $part['sd']) : ($value >= $part['mean'] ? 1.0 : 0.0)), $this->parts));
    }

    /** The value that it lies below with a chance. */
    public function quantile(float $chance): float
    {
        $low = min(array_map(static fn (array $part): float => $part['mean'] - self::TAILS * $part['sd'], $this->parts));
        $high = max(array_map(static fn (array $part): float => $part['mean'] + self::TAILS * $part['sd'], $this->parts));
        for ($step = 0; $step < self::STEPS; ++$step) {
            $middle = ($low + $high) / 2.0;
            $this->below($middle) < $chance ? $low = $middle : $high = $middle;
        }

        return ($low + $high) / 2.0;
    }
}
