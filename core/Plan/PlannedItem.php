<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Reason\Reason;

/** One thing to do in a session. */
final readonly class PlannedItem
{
    /**
     * @param Side|null $side null for both at once
     * @param int $seconds coming in and going out are part of it
     */
    public function __construct(
        public PracticeRung $rung,
        public Phase $phase,
        public ?Side $side,
        public int $seconds,
        public Reason $because,
    ) {
    }

    /** Held no longer than at the beginning. */
    public function begun(Dose $dose): self
    {
        return $this->lasting(min($this->seconds, PlannedSession::CHANGE + FillTime::grain($dose->seconds($this->rung))));
    }

    public function lasting(int $seconds): self
    {
        return new self($this->rung, $this->phase, $this->side, $seconds, $this->because);
    }
}
