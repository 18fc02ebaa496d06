<?php

declare(strict_types=1);

namespace LucidAscent\Core\Calendar;

/** Days of the calendar: of a moment, the day that the clock of its own zone shows. */
final class Day
{
    private const SECONDS = 86400;

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
        return self::number($to) - self::number($from);
    }

    /** Days since 1970 by the clock that it was read off. */
    private static function number(\DateTimeImmutable $moment): int
    {
        return (int) floor(($moment->getTimestamp() + $moment->getOffset()) / self::SECONDS);
    }
}
