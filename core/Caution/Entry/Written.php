<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Entry;

/** What every entry has: under which id it was written down, when, for which day, and by whom. */
trait Written
{
    public function id(): string
    {
        return $this->id;
    }

    public function at(): \DateTimeImmutable
    {
        return $this->at;
    }

    public function on(): \DateTimeImmutable
    {
        return $this->on;
    }

    public function by(): string
    {
        return $this->by;
    }
}
