<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Entry;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Ending;

/** A condition, as somebody told of it. */
final readonly class ConditionTold implements Entry
{
    use Written;

    /**
     * @param Side|null $side null for both
     * @param \DateTimeImmutable|null $until the day on which it ends by itself, where there is one
     * @param self|null $first how it was told first, where it was told more than once
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public Condition $condition,
        public ?Side $side = null,
        public ?\DateTimeImmutable $until = null,
        public string $by = '',
        private ?self $first = null,
    ) {
    }

    /** The same condition, told again: that says more, and takes nothing away of what was told before. */
    public function after(self $earlier): self
    {
        return new self(
            $this->id,
            $this->at,
            max($this->on, $earlier->on),
            $this->condition->after($earlier->condition),
            $this->side,
            max($this->until ?? $earlier->until, $earlier->until ?? $this->until),
            $this->by,
            $earlier->first ?? $earlier,
        );
    }

    /** The same, entered at another moment. */
    public function enteredAt(\DateTimeImmutable $at): self
    {
        return new self($this->id, $at, $this->on, $this->condition, $this->side, $this->until, $this->by);
    }

    /** When it was told first. */
    public function firstAt(): \DateTimeImmutable
    {
        return $this->first->at ?? $this->at;
    }

    /** The first day that somebody told of it for. */
    public function firstOn(): \DateTimeImmutable
    {
        return min($this->first->on ?? $this->on, $this->on);
    }

    /** The last day that it is of, where it ends by itself; null where it does not, or nobody knows when. */
    public function lastDay(): ?\DateTimeImmutable
    {
        return match ($this->condition->ending) {
            Ending::Day => $this->on,
            Ending::Birthday => $this->until?->sub(new \DateInterval('P1D')),
            default => null,
        };
    }
}
