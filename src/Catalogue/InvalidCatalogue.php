<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

final class InvalidCatalogue extends \RuntimeException
{
    /** @param non-empty-list<Fault> $faults */
    public static function because(array $faults): self
    {
        return new self(implode("\n", array_map(strval(...), $faults)));
    }
}
