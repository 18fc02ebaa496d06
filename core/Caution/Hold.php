<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;

/** Something held: by what, on which side, since when, and what would end it. */
final readonly class Hold
{
    /**
     * @param Entry $entry what it rests on
     * @param Condition $holds what it holds
     * @param Side|null $side null for both
     * @param ClearanceAuthority|null $word whose word lifts it; null when none does
     * @param \DateTimeImmutable|null $earliest the first day on which that word counts; null for any day since
     * @param ClearanceGiven|null $cleared the word that lifted it, or a part of it: tests come first now
     * @param string $posture the ladder on which it stopped; empty when it was none
     * @param string $rung the rung on which it stopped; likewise
     */
    public function __construct(
        public Entry $entry,
        public Condition $holds,
        public ?Side $side,
        public ?ClearanceAuthority $word,
        public ?\DateTimeImmutable $earliest = null,
        public ?ClearanceGiven $cleared = null,
        public string $posture = '',
        public string $rung = '',
    ) {
    }

    public function id(): string
    {
        return $this->entry->id();
    }

    public function isOn(Side $side): bool
    {
        return null === $this->side || $this->side === $side;
    }

    public function holds(Work $work, Side $side): bool
    {
        foreach ($work->usesBothLegs ? Side::cases() : [$side] as $one) {
            if ($this->holds->holds($work, !$this->isOn($one))) {
                return true;
            }
        }

        $other = $this->isOn($side->opposite()) ? $work->ofOtherLeg() : null;

        return null !== $other && $this->holds->holds($other);
    }

    /** What ends it, by a name: whose word, what else, never, or "part" for what a word has left. */
    public function endedBy(): string
    {
        return null !== $this->holds->allowed ? 'part' : $this->end();
    }

    /** What ends all of it, by a name: whose word, what else, or never. */
    public function end(): string
    {
        return $this->word->value ?? $this->holds->ending->value;
    }

    /** When it was told first. */
    public function since(): \DateTimeImmutable
    {
        return $this->entry instanceof ConditionTold ? $this->entry->firstAt() : $this->entry->at();
    }

    /** The first day that it is of. */
    public function sinceDay(): \DateTimeImmutable
    {
        return $this->entry instanceof ConditionTold ? $this->entry->firstOn() : $this->entry->on();
    }

    /** The last day that it is of, where it ends by itself; null where it does not. */
    public function lastDay(): ?\DateTimeImmutable
    {
        return $this->entry instanceof ConditionTold ? $this->entry->lastDay() : null;
    }

    /** From when on work that it held shows anything again; null where no word lifted it, and for what a word left. */
    public function cutOff(): ?EvidenceCutOff
    {
        return null === $this->cleared || null !== $this->holds->allowed
            ? null
            : new EvidenceCutOff($this->cleared->at, $this->cleared->on);
    }

    /**
     * Whether tests come first before work that it held is done again: all but what anybody may try. Weight on the
     * folded knee that was the matter is loaded work, however light.
     */
    public function asksTests(Work $work, Side $side): bool
    {
        return null !== $this->cleared
            && (!$work->isLight || ($work->has(Load::WeightOnKnee) && $this->isOfKnee()))
            && $this->holds($work, $side);
    }

    /** Whether it may be a knee's: said so, or nobody can tell that it is not. */
    private function isOfKnee(): bool
    {
        return match (true) {
            $this->entry instanceof PainTold => $this->entry->pain->place->isKnee()
                || PainPlace::Unknown === $this->entry->pain->place,
            $this->entry instanceof ConditionTold => [] !== array_intersect($this->holds->holds, [
                Condition::ALL,
                Load::WeightOnKnee->value,
            ]),
            default => false,
        };
    }

    /** What a word that allows a part of it leaves held. */
    public function leftBy(ClearanceGiven $clearance): self
    {
        return $this->with($this->holds->butFor($clearance->allows), $clearance);
    }

    public function clearedBy(ClearanceGiven $clearance): self
    {
        return $this->with($this->holds, $clearance);
    }

    private function with(Condition $holds, ClearanceGiven $clearance): self
    {
        return new self(
            $this->entry,
            $holds,
            $this->side,
            $this->word,
            $this->earliest,
            $clearance,
            $this->posture,
            $this->rung,
        );
    }
}
