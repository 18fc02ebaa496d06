<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

use LucidAscent\Core\LegChain\Ability;

/** A full form that asks less of something than what comes before it. */
final readonly class AsksLess
{
    /**
     * @param float|null $asked in the unit of the demand: degrees, cm or seconds; null where it asks nothing of it
     * @param float $more what is asked before it, likewise
     * @param string $before the rung or posture that asks more, by its id
     */
    public function __construct(
        public Ability $ability,
        public bool $isOtherLeg,
        public ?float $asked,
        public float $more,
        public string $before,
    ) {
    }

    /** What tells it from others of the same posture. */
    public function key(): string
    {
        return $this->ability->value.($this->isOtherLeg ? ' other' : ' this');
    }
}
