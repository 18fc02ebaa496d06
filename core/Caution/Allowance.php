<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

use LucidAscent\Core\LegChain\Ability;

/**
 * How far a word in writing goes: all of it, only gentle rungs, all but some loads, up to an angle, or nothing yet.
 * What it does not allow stays held.
 */
final readonly class Allowance
{
    /** What may be limited in degrees, each with the load that goes beyond where no angle is known. */
    public const LIMITS = [
        Ability::KneeFlexion->value => Load::KneeFolded,
        Ability::Flexion->value => Load::HipFlexedEnd,
        Ability::Extension->value => Load::HipExtendedEnd,
        Ability::Abduction->value => Load::LegsWideEnd,
        Ability::Adduction->value => Load::Crossing,
        Ability::ExternalRotation->value => Load::TurnOut,
        Ability::InternalRotation->value => Load::TurnIn,
        Ability::Hamstrings->value => Load::HamstringEnd,
    ];

    /**
     * @param bool $isNothing whether nothing is allowed yet
     * @param bool $isGentle whether only gentle rungs are
     * @param list<string> $without loads that stay held
     * @param array<string, float> $upTo degrees by ability, of those of LIMITS
     */
    public function __construct(
        public bool $isNothing = false,
        public bool $isGentle = false,
        public array $without = [],
        public array $upTo = [],
    ) {
    }

    public static function nothing(): self
    {
        return new self(isNothing: true);
    }

    public function isAll(): bool
    {
        return !$this->isNothing && !$this->isGentle && [] === $this->without && [] === $this->upTo;
    }

    /** Whether it says up to which angle, and nothing else. */
    public function isOfAnglesAlone(): bool
    {
        return !$this->isNothing && !$this->isGentle && [] === $this->without && [] !== $this->upTo;
    }

    /** @return list<string> the loads that its angles are about */
    public function limited(): array
    {
        return array_map(static fn (string $ability): string => self::LIMITS[$ability]->value, array_keys($this->upTo));
    }

    /** What both allow. */
    public function and(self $other): self
    {
        $upTo = $this->upTo;
        foreach ($other->upTo as $ability => $degrees) {
            $upTo[$ability] = min($degrees, $upTo[$ability] ?? $degrees);
        }

        return new self(
            $this->isNothing || $other->isNothing,
            $this->isGentle || $other->isGentle,
            array_values(array_unique([...$this->without, ...$other->without])),
            $upTo,
        );
    }

    /** @param bool $isOtherSide whether the work is on the side that the word is not about: no angle limits it there */
    public function allows(Work $work, bool $isOtherSide = false): bool
    {
        return !$this->isNothing
            && (!$this->isGentle || $work->isGentle)
            && [] === array_intersect($work->loads, $this->without)
            && ($isOtherSide || $this->isWithin($work));
    }

    /** An angle that nobody knows is within a limit where the work does not load it. */
    private function isWithin(Work $work): bool
    {
        foreach ($this->upTo as $ability => $degrees) {
            $asked = $work->angles[$ability] ?? null;
            if (null === $asked ? $work->has(self::LIMITS[$ability]) : $asked > $degrees) {
                return false;
            }
        }

        return true;
    }
}
