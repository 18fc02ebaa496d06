<?php

declare(strict_types=1);

namespace LucidAscent\App\Json;

use LucidAscent\Core\Body\InvalidValue;

/** Days and moments that somebody else has written: one that there is not, or that is no text at all, is none. */
final class Day
{
    /** @param string $format as PHP writes it; what is read has to be written so, to the letter */
    public static function written(string $format, string $text, \DateTimeZone $zone): ?\DateTimeImmutable
    {
        $moment = str_contains($text, "\0") ? false : \DateTimeImmutable::createFromFormat("!$format", $text, $zone);

        return false !== $moment && $moment->format($format) === $text ? $moment : null;
    }

    /**
     * A calendar day as YYYY-MM-DD; a time after it is passed over.
     *
     * @throws InvalidValue when there is no such day
     */
    public static function of(string $field, string $text): \DateTimeImmutable
    {
        return self::written('Y-m-d', substr($text, 0, 10), new \DateTimeZone('UTC')) ??
            throw InvalidValue::because($field, sprintf('must be a day such as 2026-03-02, not "%s".', $text));
    }
}
