<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\Entry;

/** Something held: by what, on which side, since when, and what would end it. */
final readonly class Hold
{
    /**
     * @param Entry $entry what it rests on
     * @param Condition $holds what it holds
     * @param Side|null $side null for both
     * @param ClearanceAuthority|null $word whose word lifts it; null when none does
     * @param \DateTimeImmutable|null $earliest the first day on which that word counts; null for any day since
     * @param ClearanceGiven|null $cleared the word that lifted it: tests come first now
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

        return [] !== $work->otherLegLoads
            && $this->isOn($side->opposite())
            && $this->holds->holds(new Work($work->otherLegLoads, $work->isGentle));
    }

    public function clearedBy(ClearanceGiven $clearance): self
    {
        return new self(
            $this->entry,
            $this->holds,
            $this->side,
            $this->word,
            $this->earliest,
            $clearance,
            $this->posture,
            $this->rung,
        );
    }
}
