<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Reason\Reason;

/** A form that is alternated with a rung, for one side: how it reads, and why it may not be practised now. */
final readonly class FormReading
{
    /** @param list<Reason> $bars nothing when it may be practised */
    public function __construct(public RungReading $reading, public array $bars)
    {
    }

    public function isOpen(): bool
    {
        return [] === $this->bars;
    }
}
