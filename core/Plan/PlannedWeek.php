<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Reason\Reason;

/** The sessions of seven days. */
final readonly class PlannedWeek
{
    /**
     * @param list<PlannedSession> $sessions in the order of their days
     * @param bool $isLight whether it is one of the lighter ones
     * @param Reason|null $note what is for every day between them; null where there is nothing
     */
    public function __construct(
        public array $sessions,
        public bool $isLight = false,
        public ?Reason $note = null,
    ) {
    }

    /** @param array<int, PlannedSession> $changed by place */
    public function with(array $changed): self
    {
        return new self(array_values(array_replace($this->sessions, $changed)), $this->isLight, $this->note);
    }
}
