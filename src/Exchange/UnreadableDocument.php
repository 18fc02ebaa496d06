<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

/** The document as a whole is not what it should be, so that no case in it can be told apart. */
final class UnreadableDocument extends \RuntimeException
{
    public static function expected(string $what): self
    {
        return new self(sprintf('The document cannot be read: %s was expected.', $what));
    }

    public static function endedEarly(): self
    {
        return new self('The document cannot be read: it ends before its last bracket is closed.');
    }

    public static function tooMuch(int $bytes, int $parts): self
    {
        return new self(
            sprintf(
                'The document cannot be read: it is longer than %d bytes, or has more than %d objects and lists.',
                $bytes,
                $parts,
            ),
        );
    }

    public static function notJson(string $why): self
    {
        return new self(sprintf('The document cannot be read as JSON: %s.', $why));
    }
}
