<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Calendar;

use LucidAscent\Core\Calendar\Day;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class DayTest extends TestCase
{
    #[TestWith(['2026-03-02 23:59 UTC', '2026-03-03 00:01 UTC', 1])]
    #[TestWith(['2026-03-02 00:01 UTC', '2026-03-02 23:59 UTC', 0])]
    #[TestWith(['2026-03-05 12:00 UTC', '2026-03-02 13:00 UTC', -3])]
    #[TestWith(['2026-03-02 00:00 UTC', '2026-03-09 00:30 Pacific/Auckland', 7], 'the ninth by its own clock')]
    #[TestWith(['2026-03-09 00:30 Pacific/Auckland', '2026-03-02 00:00 UTC', -7])]
    #[TestWith(['2026-03-02 00:00 UTC', '2026-03-09 23:30 America/Los_Angeles', 7])]
    #[TestWith(['2026-03-28 12:00 Europe/Oslo', '2026-03-30 00:10 Europe/Oslo', 2], 'an hour is missing between them')]
    #[TestWith(['2026-10-24 00:00 Europe/Oslo', '2026-10-26 00:00 Europe/Oslo', 2], 'an hour is there twice')]
    public function testDaysAreOfTheCalendar(string $from, string $to, int $days): void
    {
        self::assertSame($days, Day::between(new \DateTimeImmutable($from), new \DateTimeImmutable($to)));
    }

    public function testADayIsTheOneOfItsOwnClock(): void
    {
        $late = new \DateTimeImmutable('2026-03-02 23:30', new \DateTimeZone('America/Los_Angeles'));
        self::assertSame('2026-03-02', Day::of($late));
        self::assertSame('2026-03-02T00:00:00+00:00', Day::midnight($late)->format('c'));
    }
}
