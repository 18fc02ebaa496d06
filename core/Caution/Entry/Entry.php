<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Entry;

/** Something that was written down of a person and that the judge of holds has to know. */
interface Entry
{
    /** What a clearance calls it by. */
    public function id(): string;

    /** When it was entered. */
    public function at(): \DateTimeImmutable;

    /** The day that it speaks of. */
    public function on(): \DateTimeImmutable;

    /** Who entered it; empty when nobody knows. */
    public function by(): string;
}
