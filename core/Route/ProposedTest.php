<?php

declare(strict_types=1);

namespace LucidAscent\Core\Route;

use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Testing\TestDefinition;

/** A test and whether it should be taken now, with the reasons. */
final readonly class ProposedTest
{
    /**
     * @param bool $isChosen whether it is proposed; the teacher may take or leave it, but not when it is held
     * @param list<Reason> $because
     * @param list<string> $heldBy the names of what holds it
     */
    public function __construct(
        public TestDefinition $test,
        public bool $isChosen,
        public array $because,
        public array $heldBy = [],
    ) {
    }

    public function isHeld(): bool
    {
        return [] !== $this->heldBy;
    }
}
