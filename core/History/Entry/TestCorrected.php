<?php

declare(strict_types=1);

namespace LucidAscent\Core\History\Entry;

use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\Written;

/** An entry of tests that stands in the place of an earlier one: from then on, and as of the day of the first. */
final readonly class TestCorrected implements Entry
{
    use Written;

    /**
     * @param string $entry the newer entry
     * @param string $corrects the earlier one
     * @param \DateTimeImmutable $taken when the earlier one was made, by the clock of whoever made it
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public string $by,
        public string $entry,
        public string $corrects,
        public \DateTimeImmutable $taken,
    ) {
    }

    /** The same, entered at another moment. */
    public function enteredAt(\DateTimeImmutable $at): self
    {
        return new self($this->id, $at, $this->on, $this->by, $this->entry, $this->corrects, $this->taken);
    }
}
