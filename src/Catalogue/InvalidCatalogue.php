<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

final class InvalidCatalogue extends \RuntimeException
{
    public static function in(string $file, string $fault): self
    {
        return new self(sprintf('%s: %s', basename($file), $fault));
    }
}
