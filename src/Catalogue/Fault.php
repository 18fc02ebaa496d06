<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/** What is wrong with an entry of the catalogue, and where. */
final readonly class Fault
{
    /** @param string $path the place in the entry, such as "rungs/2/hold" */
    public function __construct(public string $file, public int $line, public string $path, public string $message)
    {
    }

    public function __toString(): string
    {
        return sprintf(
            '%s:%d: %s%s',
            $this->file,
            $this->line,
            '' === $this->path ? '' : $this->path.': ',
            $this->message,
        );
    }
}
