<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\Core\Body\InvalidValue;

/** A calendar day as YYYY-MM-DD; a time after it is passed over. */
final class Day
{
    /** @throws InvalidValue when there is no such day */
    public static function of(string $field, string $text): \DateTimeImmutable
    {
        $day = \DateTimeImmutable::createFromFormat('!Y-m-d', substr($text, 0, 10), new \DateTimeZone('UTC'));

        return false !== $day && $day->format('Y-m-d') === substr($text, 0, 10)
            ? $day
            : throw InvalidValue::because($field, sprintf('must be a day such as 2026-03-02, not "%s".', $text));
    }
}
