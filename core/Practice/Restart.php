<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

/** Where a side goes on after something that held it was lifted: one rung below where it stopped. */
final readonly class Restart
{
    /**
     * @param string $stoppedOn the rung on which it stopped
     * @param \DateTimeImmutable $at the moment of the word
     */
    public function __construct(public string $stoppedOn, public \DateTimeImmutable $at)
    {
    }
}
