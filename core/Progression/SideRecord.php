<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Posture\Rung;
use LucidAscent\Core\Testing\SolesTogetherTest;

/** What is on record of one side on one ladder: the newest test, the newest decision, the newest clearance. */
final readonly class SideRecord
{
    /** @param Rung|null $decided where the newest decision put this side */
    public function __construct(
        public Side $side,
        public ?SolesTogetherTest $test = null,
        public ?Step $step = null,
        public ?Rung $decided = null,
        public ?\DateTimeImmutable $decidedAt = null,
        public ?\DateTimeImmutable $clearedAt = null,
    ) {
    }

    /** Whether a clearance was written down after this moment. */
    public function clearedSince(\DateTimeImmutable $moment): bool
    {
        return null !== $this->clearedAt && $this->clearedAt > $moment;
    }

    public function testIsNewerThanDecision(): bool
    {
        return null !== $this->test && (null === $this->decidedAt || $this->test->on > $this->decidedAt);
    }
}
