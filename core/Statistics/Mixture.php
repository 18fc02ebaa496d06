<?php

declare(strict_types=1);

namespace LucidAscent\Core\Statistics;

/**
 * Several suppositions about the noise, each with its weight and what follows from it: a mixture of normal
 * distributions.
 */
final readonly class Mixture
{
    private const STEPS = 60;
    private const TAILS = 12.0;
    private const LOW = 0.025;
    private const HIGH = 0.975;
    /** A value is found when it moves by less than this share of the smallest SD. */
    private const FINE = 1e-7;

    /** @param non-empty-list<array{weight: float, mean: float, sd: float}> $parts of weights that sum up to one */
    public function __construct(public array $parts)
    {
    }

    /** In the unit of its parts. */
    public function mean(): float
    {
        return array_sum(
            array_map(static fn (array $part): float => $part['weight'] * $part['mean'], $this->parts),
        );
    }

    /** In the unit of its parts. */
    public function sd(): float
    {
        $mean = $this->mean();

        return sqrt(
            array_sum(
                array_map(
                    static fn (array $part): float => $part['weight'] *
                        ($part['sd'] ** 2 + ($part['mean'] - $mean) ** 2),
                    $this->parts,
                ),
            ),
        );
    }

    /** The chance of being below a value. */
    public function below(float $value): float
    {
        $below = 0.0;
        foreach ($this->parts as ['weight' => $weight, 'mean' => $mean, 'sd' => $sd]) {
            $below +=
                $weight * ($sd > 0.0 ? Normal::below(($value - $mean) / $sd) : ($value >= $mean ? 1.0 : 0.0));
        }

        return $below;
    }

    /** The value that it lies below with a chance. */
    public function quantile(float $chance): float
    {
        $low = min(
            array_map(static fn (array $part): float => $part['mean'] - self::TAILS * $part['sd'], $this->parts),
        );
        $high = max(
            array_map(static fn (array $part): float => $part['mean'] + self::TAILS * $part['sd'], $this->parts),
        );
        $least = min(array_map(static fn (array $part): float => $part['sd'], $this->parts));
        // From where it were if all of them were one.
        $at = $this->mean() + $this->sd() * Normal::roughly($chance);
        $at = $at > $low && $at < $high ? $at : ($low + $high) / 2.0;
        for ($step = 0; $step < self::STEPS; ++$step) {
            $off = $this->below($at) - $chance;
            $off < 0.0 ? ($low = $at) : ($high = $at);
            // By Newton's way, as long as that stays between what is known; else by halves.
            $slope = $least > 0.0 ? $this->density($at) : 0.0;
            $next = $slope > 0.0 ? $at - $off / $slope : INF;
            $next = $next > $low && $next < $high ? $next : ($low + $high) / 2.0;
            if (abs($next - $at) <= self::FINE * $least || $high - $low <= self::FINE * $least) {
                return $next;
            }
            $at = $next;
        }

        return ($low + $high) / 2.0;
    }

    /** @return array{float, float} what it lies between nineteen times in twenty */
    public function interval(): array
    {
        return [$this->quantile(self::LOW), $this->quantile(self::HIGH)];
    }

    private function density(float $value): float
    {
        $density = 0.0;
        foreach ($this->parts as ['weight' => $weight, 'mean' => $mean, 'sd' => $sd]) {
            $density += ($weight * Normal::density(($value - $mean) / $sd)) / $sd;
        }

        return $density;
    }
}
