<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\AbilityMargin;
use LucidAscent\Core\Readiness\State;

/** Something that is to grow, and how much is missing of it. */
final readonly class Sought
{
    /** What counts as one measure of missing, by unit; no more than so many are counted (this product's own). */
    private const MEASURE = ['degrees' => 30.0, 'cm' => 20.0, 'seconds' => 30.0];
    private const MOST = 1.5;
    /** What is not known, or may be enough: a little of it, until it is measured. */
    public const LITTLE = 0.15;

    /** @param float $lack a share of what the measure of its unit is, above nought */
    public function __construct(public Ability $ability, public float $lack)
    {
    }

    /** @return self|null null where nothing of it is missing */
    public static function by(AbilityMargin $margin): ?self
    {
        return match ($margin->state()) {
            State::Open => null,
            State::Short => new self(
                $margin->ability,
                max(self::LITTLE, min(self::MOST, -$margin->difference() / self::measure($margin->unit()))),
            ),
            default => new self($margin->ability, self::LITTLE),
        };
    }

    private static function measure(string $unit): float
    {
        return self::MEASURE[$unit] ?? self::MEASURE['degrees'];
    }

    /** The same, with what another posture misses of it. */
    public function and(?self $other): self
    {
        return new self($this->ability, max($this->lack, $other->lack ?? 0.0));
    }

    public function times(float $factor): self
    {
        return new self($this->ability, $factor * $this->lack);
    }
}
