<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\Asymmetry;
use LucidAscent\Core\Testing\MeasuredCapacity;
use LucidAscent\Core\Testing\Norms;

/** One ability on the person's spine: both sides, what wanted poses ask of it, and whether the sides really differ. */
final readonly class SpineRow
{
    /** Where a beam ends, by unit: degrees, cm and seconds to the edge of the page. */
    private const SCALES = ['degrees' => 180.0, 'cm' => 60.0, 'seconds' => 60.0];

    /** @param array<string, list<array{pose: string, value: float}>> $asked by side */
    public function __construct(
        public Ability $ability,
        public ?MeasuredCapacity $left,
        public ?MeasuredCapacity $right,
        public array $asked,
    ) {
    }

    public function scale(): float
    {
        return self::SCALES[$this->ability->unit()];
    }

    /** @return array<string, MeasuredCapacity|null> */
    public function sides(): array
    {
        return ['left' => $this->left, 'right' => $this->right];
    }

    /**
     * How far the sides differ, when that is more than noise. A lower bound may lie above a known figure, and never
     * below one.
     */
    public function difference(): ?float
    {
        return Asymmetry::between($this->left, $this->right);
    }

    /** @return list<array{source: string, who: string, degrees: float}> */
    public function norms(): array
    {
        return Norms::of($this->ability);
    }
}
