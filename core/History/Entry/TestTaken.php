<?php

declare(strict_types=1);

namespace LucidAscent\Core\History\Entry;

use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\Written;
use LucidAscent\Core\Testing\TakenTest;

/** One test of one side, as it was taken. */
final readonly class TestTaken implements Entry
{
    use Written;

    /**
     * @param string $entry what both sides that were taken down together share; it is what a correction names
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public string $by,
        public string $entry,
        public TakenTest $test,
    ) {
    }

    /** The same, entered at another moment. */
    public function enteredAt(\DateTimeImmutable $at): self
    {
        return new self($this->id, $at, $this->on, $this->by, $this->entry, $this->test);
    }
}
