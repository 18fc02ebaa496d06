<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/** Something that may be done, as far as a caution has to know it. */
final readonly class Work
{
    /**
     * @param list<string> $loads what it loads, by the values of Load
     * @param bool $isGentle lying, on a plain seat, or standing with a hand on the wall, and no load on a folded knee
     * @param bool $usesBothLegs whether it is held as soon as either side is
     * @param bool $isFootFree lying, with nothing holding the foot
     * @param list<string> $otherLegLoads what it loads on the leg that is not this side's
     */
    public function __construct(
        public array $loads,
        public bool $isGentle = false,
        public bool $usesBothLegs = false,
        public bool $isFootFree = false,
        public array $otherLegLoads = [],
    ) {
    }

    public function has(Load $load): bool
    {
        return in_array($load->value, $this->loads, true);
    }

    /** Lying, and nothing turned, crossed or taken to an end: a lying figure four is work. */
    public function isLyingRest(): bool
    {
        return $this->has(Load::LyingRest) && [] === array_intersect($this->loads, Load::noRest());
    }

    /** Lying at rest with both legs straight: what is left when all else is held. */
    public function isStraightRest(): bool
    {
        return $this->isLyingRest() && !$this->has(Load::KneeFolded);
    }

    /** @param list<string> $more */
    public function loading(array $more): self
    {
        return [] === array_diff($more, $this->loads)
            ? $this
            : new self(
                array_values(array_unique([...$this->loads, ...$more])),
                $this->isGentle,
                $this->usesBothLegs,
                $this->isFootFree,
                $this->otherLegLoads,
            );
    }
}
