<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\Growth;
use LucidAscent\Core\Practice\Seen;
use PHPUnit\Framework\TestCase;

/** Holds grow with what was reached, a fifth a week at most. */
final class GrowthTest extends TestCase
{
    public function testAFifthForEachWeekThatWasCleanAndFromTheBeginningAfterOneThatWasNot(): void
    {
        self::assertSame(1.0, self::grown([]));
        self::assertSame(1.2, self::grown([[1, true]]));
        self::assertSame(1.2, self::grown([[1, true], [3, true], [7, true]]), 'once a week');
        self::assertEqualsWithDelta(1.44, self::grown([[8, true], [1, true]]), 1e-9,
            'in whatever order it was written down');
        self::assertSame(1.0, self::grown([[1, true], [8, true], [15, false]]));
        self::assertSame(1.2, self::grown([[1, true], [8, false], [9, true]]));
        self::assertSame(1.2, self::grown([[1, true]], '2026-04-12'));
        self::assertSame(1.0, self::grown([[1, true]], '2026-04-13'), 'after six weeks of nothing');
        self::assertEqualsWithDelta(1.2, self::grown([[-50, true], [-40, true], [8, true]]), 1e-9,
            'nor does what was before the break count after it');
    }

    public function testAStopThatWasLiftedBeginsAnew(): void
    {
        $seen = array_map(static fn (int $day): Seen => new Seen('p', 'r', Side::Left, true,
            new \DateTimeImmutable("2026-03-$day"), isPractice: true), [10, 18, 26]);
        $on = new \DateTimeImmutable('2026-03-28');
        self::assertEqualsWithDelta(1.728, Growth::of($seen, 'p', 'r', Side::Left, $on), 1e-9);
        self::assertEqualsWithDelta(1.2, Growth::of($seen, 'p', 'r', Side::Left, $on,
            new \DateTimeImmutable('2026-03-20 12:00')), 1e-9);
        self::assertSame(1.0, Growth::of($seen, 'p', 'r', Side::Left, $on, new \DateTimeImmutable('2026-03-27')));
    }

    public function testOnlyThisRungOnThisSideAsItWasPractised(): void
    {
        $on = new \DateTimeImmutable('2026-03-01');
        foreach ([new Seen('q', 'r', Side::Left, true, $on, isPractice: true),
            new Seen('p', 's', Side::Left, true, $on, isPractice: true),
            new Seen('p', 'r', Side::Right, true, $on, isPractice: true),
            new Seen('p', 'r', Side::Left, true, $on)] as $other) {
            self::assertSame(1.0, Growth::of([$other], 'p', 'r', Side::Left, $on));
        }
    }

    /** @param list<array{int, bool}> $practised day of the month, and whether it was clean */
    private static function grown(array $practised, string $on = '2026-03-20'): float
    {
        return Growth::of(array_map(static fn (array $one): Seen => new Seen('p', 'r', Side::Left, $one[1],
            (new \DateTimeImmutable('2026-02-28'))->modify(sprintf('%+d days', $one[0])), isPractice: true),
            $practised), 'p', 'r', Side::Left, new \DateTimeImmutable($on));
    }
}
