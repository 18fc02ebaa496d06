<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Entry;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;

/** A condition, as somebody told of it. */
final readonly class ConditionTold implements Entry
{
    use Written;

    /**
     * @param Side|null $side null for both
     * @param \DateTimeImmutable|null $until the day on which it ends by itself, where there is one
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public Condition $condition,
        public ?Side $side = null,
        public ?\DateTimeImmutable $until = null,
        public string $by = '',
    ) {
    }

    /** The same condition, told again. */
    public function after(self $earlier): self
    {
        return new self(
            $this->id,
            $this->at,
            $this->on,
            $this->condition->after($earlier->condition),
            $this->side,
            $this->until,
            $this->by,
        );
    }

    /** The same, entered at another moment. */
    public function enteredAt(\DateTimeImmutable $at): self
    {
        return new self($this->id, $at, $this->on, $this->condition, $this->side, $this->until, $this->by);
    }
}
