<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

/** A document that is no record, or one of a version that nobody here knows: it is refused whole. */
final class InvalidRecord extends \DomainException
{
    public static function noRecord(): self
    {
        return new self('This is no record: a record is a JSON object with "format": "'.RecordKinds::FORMAT.'".');
    }

    public static function noTable(): self
    {
        return new self(
            'This is no table: UTF-8 text of up to a megabyte, a header row and at most 5000 lines, parted by commas, semicolons or tabs.',
        );
    }

    public static function newer(string $version): self
    {
        return new self(
            sprintf(
                'The record is of version %s; this program reads version %d. Nothing of it was read: it could say what this program does not know to heed.',
                $version,
                RecordKinds::VERSION,
            ),
        );
    }

    public static function withdrawn(): self
    {
        return new self('Whose record it is does not agree to be recorded any more.');
    }

    public static function head(string $part, string $because): self
    {
        return new self(sprintf('"%s" cannot be read: %s', $part, $because));
    }
}
