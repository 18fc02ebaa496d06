<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/** Something about a person that holds, or changes, what may be practised. */
final readonly class Condition
{
    /** Holds every load there is. */
    public const ALL = 'all';

    /**
     * @param list<string> $holds the loads that it holds, or "all"
     * @param array<string, string> $changes how a load is to be done otherwise, by load
     * @param list<string> $deepHolds loads that it holds beyond a gentle rung
     * @param list<string> $footedHolds loads that it holds but in a lying shape with the foot free
     * @param list<string> $otherSide loads that it holds on the other side
     * @param Exemption $spares what "all" leaves
     * @param bool $gentleOnly whether it keeps to the gentle rungs
     * @param list<string> $besides loads that may be worked beyond the gentle rungs, short of the end of any range
     * @param Ending $ending what ends it
     * @param int|null $months after so many months anybody's word ends it
     * @param bool $isInFreeWords whether somebody has to say which loads it touches; until then nothing deep
     * @param Allowance|null $allowed what a word in writing has allowed of it since; null where none has
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $holds,
        public array $changes = [],
        public array $deepHolds = [],
        public array $footedHolds = [],
        public array $otherSide = [],
        public Exemption $spares = Exemption::Nothing,
        public bool $gentleOnly = false,
        public array $besides = [],
        public Ending $ending = Ending::Clinician,
        public ?int $months = null,
        public bool $isInFreeWords = false,
        public ?Allowance $allowed = null,
    ) {
    }

    public static function everything(string $id, string $name, Exemption $spares = Exemption::Nothing): self
    {
        return new self($id, $name, [self::ALL], spares: $spares);
    }

    /**
     * A condition that no caution knows: no deep rung, and nothing of what its words name, until somebody has said what
     * it is.
     *
     * @param list<Load> $named
     */
    public static function unknown(string $id, array $named = []): self
    {
        return new self($id, $id, self::keys($named), gentleOnly: true);
    }

    /**
     * Words that speak of pain or of a condition, and that nobody has read yet.
     *
     * @param list<Load> $named
     */
    public static function unreadWords(array $named): self
    {
        return new self(
            'words',
            'Words that speak of pain',
            self::keys($named),
            gentleOnly: true,
            ending: Ending::Read,
        );
    }

    /**
     * What was told in free words, once somebody has said which loads it touches; unchanged for any other, and
     * while nothing was said.
     *
     * @param list<Load> $loads
     */
    public function touching(array $loads): self
    {
        return $this->isInFreeWords && [] !== $loads
            ? new self(
                $this->id,
                $this->name,
                array_values(array_unique([...$this->holds, ...self::keys($loads)])),
                ending: $this->ending,
                isInFreeWords: true,
            )
            : $this;
    }

    /** Told again in free words: what it was said to touch before, it touches still. */
    public function after(self $earlier): self
    {
        $loads = array_values(array_filter(array_map(Load::tryFrom(...), $earlier->holds)));

        return match (true) {
            !$this->isInFreeWords => $this,
            // New words that nobody has put a load to keep everything deep closed beside what is known already.
            $this->gentleOnly => new self(
                $this->id,
                $this->name,
                array_values(array_unique([...$this->holds, ...$earlier->holds])),
                gentleOnly: true,
                ending: $this->ending,
                isInFreeWords: true,
            ),
            default => $this->touching($loads),
        };
    }

    /** What a word in writing leaves of it. */
    public function butFor(Allowance $allowed): self
    {
        return new self(
            $this->id,
            $this->name,
            $this->holds,
            $this->changes,
            $this->deepHolds,
            $this->footedHolds,
            $this->otherSide,
            $this->spares,
            $this->gentleOnly,
            $this->besides,
            $this->ending,
            $this->months,
            $this->isInFreeWords,
            $allowed,
        );
    }

    /** Whether nothing at all is left where it holds. */
    public function isOfEverything(): bool
    {
        return in_array(self::ALL, $this->holds, true) && null === $this->allowed;
    }

    /** Whether it leaves gentle work alone. */
    public function isGentleOnly(): bool
    {
        return null === $this->allowed ? $this->gentleOnly : $this->allowed->isGentle;
    }

    /** @param bool $isOtherSide whether the work is on the side that the condition is not on */
    public function holds(Work $work, bool $isOtherSide = false): bool
    {
        if (!$this->isTouchedBy($work, $isOtherSide)) {
            return false;
        }

        return true !== $this->allowed?->allows($work, $isOtherSide)
            || ($this->isOfLoads()
                && $this->allowed->isOfAnglesAlone()
                && $this->isTouchedBy($work->without($this->allowed->limited()), $isOtherSide));
    }

    /** Whether it holds some loads by name: an angle lifts those of them that it is about, and no other. */
    private function isOfLoads(): bool
    {
        return !$this->gentleOnly && !in_array(self::ALL, $this->holds, true);
    }

    private function isTouchedBy(Work $work, bool $isOtherSide): bool
    {
        if ($isOtherSide) {
            return [] !== array_intersect($work->loads, $this->otherSide);
        }
        if (in_array(self::ALL, $this->holds, true)) {
            return !$this->spares->has($work);
        }
        if ($this->gentleOnly && !$work->isGentle && !$this->isBeside($work)) {
            return true;
        }

        return [] !==
            array_intersect($work->loads, [
                ...$this->holds,
                ...$work->isGentle ? [] : $this->deepHolds,
                ...$work->isFootFree ? [] : $this->footedHolds,
            ]);
    }

    /** Whether it leaves work that makes strong, and little that stretches. */
    public function isForStrength(): bool
    {
        return $this->gentleOnly && [] !== $this->besides;
    }

    /** Whether work is of that which it leaves beside the gentle rungs. */
    public function isBeside(Work $work): bool
    {
        return [] !== array_intersect($work->loads, $this->besides)
            && [] === array_intersect($work->loads, Load::endRanges());
    }

    /**
     * @param list<Load> $loads
     *
     * @return list<string>
     */
    private static function keys(array $loads): array
    {
        return array_map(static fn (Load $load): string => $load->value, $loads);
    }
}
