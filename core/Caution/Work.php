<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/** Something that may be done, as far as a caution has to know it. */
final readonly class Work
{
    /** Degrees up to which a leg that lies there is long, and legs that rest are apart. */
    private const LONG = 20.0;
    private const APART = 25.0;

    /** Whether anybody may try it to whom nothing is the matter. */
    public bool $isLight;
    public bool $usesBothLegs;

    /**
     * @param list<string> $loads what it loads, by the values of Load
     * @param bool $isGentle lying, on a plain seat, or standing with a hand on the wall, with no weight on a bent knee
     *     or on the hands: what a caution leaves that leaves gentle work
     * @param bool $usesBothLegs whether it is held as soon as either side is
     * @param bool $isFootFree lying, with nothing holding the foot
     * @param list<string> $otherLegLoads what it loads on the leg that is not this side's
     * @param bool|null $isLight whether anybody may try it to whom nothing is the matter; as gentle where nothing is
     *     said
     * @param array<string, float> $angles degrees by ability that it asks of this side's leg, where they are known
     * @param array<string, float> $otherLegAngles likewise of the other leg
     * @param bool $isBearing standing, kneeling or with weight on the hands: the other leg carries, too
     */
    public function __construct(
        public array $loads,
        public bool $isGentle = false,
        bool $usesBothLegs = false,
        public bool $isFootFree = false,
        public array $otherLegLoads = [],
        ?bool $isLight = null,
        public array $angles = [],
        public array $otherLegAngles = [],
        public bool $isBearing = false,
    ) {
        $this->isLight = $isLight ?? $isGentle;
        $this->usesBothLegs = $usesBothLegs && !$this->leavesLegsLong();
    }

    public function has(Load $load): bool
    {
        return in_array($load->value, $this->loads, true);
    }

    /**
     * Lying, and nothing folded, turned, crossed, wide or taken to an end, of either leg: what is left when all else is
     * held. A lying figure four is work, and so is a lying child's pose, or legs that hang wide.
     */
    public function isLyingRest(): bool
    {
        return $this->has(Load::LyingRest)
            && [] === array_intersect([...$this->loads, ...$this->otherLegLoads], Load::noRest())
            && $this->most('abduction') <= self::APART;
    }

    /** @return float degrees of an ability that either leg shows at most, one way or the other; 0 where nobody knows */
    private function most(string $ability): float
    {
        return max(abs($this->angles[$ability] ?? 0.0), abs($this->otherLegAngles[$ability] ?? 0.0));
    }

    /**
     * Resting with both legs long on the floor, as it is drawn: neither does anything, and a leg that rests may lie
     * there.
     */
    public function leavesLegsLong(): bool
    {
        return $this->isLyingRest()
            && [] !== $this->angles
            && max($this->most('flexion'), $this->most('kneeFlexion')) < self::LONG;
    }

    /**
     * Whether days have to go by before practice passes it: a loaded knee that is folded, a turn under load and a neck
     * answer late.
     */
    public function takesDays(): bool
    {
        return $this->has(Load::Neck)
            || (!$this->isGentle && ($this->has(Load::KneeFolded) || $this->has(Load::TurnOut)));
    }

    /**
     * Whether what loads so much may pass for gentle: no weight on a bent knee or on the hands, and no two things at
     * their end at once.
     *
     * @param list<string> $loads
     */
    public static function mayBeGentle(array $loads): bool
    {
        return [] === array_intersect($loads, [Load::WeightOnKnee->value, Load::WeightOnHands->value])
            && count(array_unique(array_intersect($loads, Load::endRanges()))) < 2;
    }

    /** @param list<string> $more */
    public function loading(array $more): self
    {
        return [] === array_diff($more, $this->loads)
            ? $this
            : $this->with(array_values(array_unique([...$this->loads, ...$more])));
    }

    /** @param list<string> $loads that it is looked at without */
    public function without(array $loads): self
    {
        return $this->with(array_values(array_diff($this->loads, $loads)));
    }

    /** @param list<string> $loads */
    private function with(array $loads): self
    {
        return new self(
            $loads,
            $this->isGentle,
            $this->usesBothLegs,
            $this->isFootFree,
            $this->otherLegLoads,
            $this->isLight,
            $this->angles,
            $this->otherLegAngles,
            $this->isBearing,
        );
    }

    /** What it is for the other leg; null where that does nothing. */
    public function ofOtherLeg(): ?self
    {
        return [] === $this->otherLegLoads
            ? null
            : new self($this->otherLegLoads, $this->isGentle, angles: $this->otherLegAngles);
    }
}
