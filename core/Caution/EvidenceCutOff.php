<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

use LucidAscent\Core\Calendar\Day;

/** The moment of a clearance, and the day that it speaks of: what is older proves nothing for loaded work. */
final readonly class EvidenceCutOff
{
    public function __construct(public \DateTimeImmutable $moment, public \DateTimeImmutable $day)
    {
    }

    /** What is known by its day alone has to be of a later one. */
    public function isBefore(?\DateTimeImmutable $on, ?\DateTimeImmutable $at = null): bool
    {
        return null !== $at
            ? $at > $this->moment && null !== $on && Day::of($on) >= Day::of($this->day)
            : null !== $on && Day::of($on) > Day::of($this->day);
    }
}
