<?php

declare(strict_types=1);

namespace LucidAscent\App\Json;

use LucidAscent\Core\Body\InvalidValue;

/** A calendar day as YYYY-MM-DD; a time after it is passed over. */
final class Day
{
    /** @throws InvalidValue when there is no such day */
    public static function of(string $field, string $text): \DateTimeImmutable
    {
        // A year has four digits, and what is no day may be anything at all.
        $day =
            1 === preg_match('/^\d{4}-\d\d-\d\d/', $text)
                ? \DateTimeImmutable::createFromFormat('!Y-m-d', substr($text, 0, 10), new \DateTimeZone('UTC'))
                : false;

        return false !== $day && $day->format('Y-m-d') === substr($text, 0, 10)
            ? $day
            : throw InvalidValue::because($field, sprintf('must be a day such as 2026-03-02, not "%s".', $text));
    }
}
