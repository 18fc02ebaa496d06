<?php

declare(strict_types=1);

namespace LucidAscent\App\Database;

/** The same of what has words about somebody's health among other things. */
final class SealedJsonType extends SealedType
{
    public const NAME = 'sealed_json';

    protected function toText(mixed $value): string
    {
        return json_encode(
            $value,
            \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        );
    }

    protected function fromText(string $text): mixed
    {
        return json_decode($text, true, flags: \JSON_THROW_ON_ERROR);
    }
}
