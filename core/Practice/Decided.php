<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

/** What was decided after a check of one side on one ladder. */
final readonly class Decided
{
    /**
     * @param string $rung the rung that was practised
     * @param string $rungAfter the rung on which the side goes on
     */
    public function __construct(
        public Step $step,
        public string $rung,
        public string $rungAfter,
        public \DateTimeImmutable $at,
    ) {
    }
}
