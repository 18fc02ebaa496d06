<?php

declare(strict_types=1);

namespace LucidAscent\Core\Calendar;

/** Days of the calendar: of a moment, the day that the clock of its own zone shows. */
final class Day
{
    /** As 2026-03-02, so that days compare as texts do. */
    public static function of(\DateTimeImmutable $moment): string
    {
        return $moment->format('Y-m-d');
    }

    /** The day itself: its midnight in UTC, whatever the zone it was read off in. */
    public static function midnight(\DateTimeImmutable $moment): \DateTimeImmutable
    {
        return new \DateTimeImmutable(self::of($moment), new \DateTimeZone('UTC'));
    }

    /** Whole days from one to the other; less than nought when the other is earlier. */
    public static function between(\DateTimeImmutable $from, \DateTimeImmutable $to): int
    {
        return (int) self::midnight($from)->diff(self::midnight($to))->format('%r%a');
    }
}
