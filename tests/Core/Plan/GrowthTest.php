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
        self::assertEqualsWithDelta(1.44, self::grown([[8, true], [1, true]]), 1e-9, 'in whatever order it was written down');
        self::assertSame(1.0, self::grown([[1, true], [8, true], [15, false]]));
        self::assertSame(1.2, self::grown([[1, true], [8, false], [9, true]]));
    }

    public function testOnlyThisRungOnThisSideAsItWasPractised(): void
    {
        $on = new \DateTimeImmutable('2026-03-01');
        foreach ([new Seen('q', 'r', Side::Left, true, $on, isPractice: true), new Seen('p', 's', Side::Left, true, $on, isPractice: true), new Seen('p', 'r', Side::Right, true, $on, isPractice: true), new Seen('p', 'r', Side::Left, true, $on)] as $other) {
            self::assertSame(1.0, Growth::of([$other], 'p', 'r', Side::Left));
        }
    }

    /** @param list<array{int, bool}> $practised day of the month, and whether it was clean */
    private static function grown(array $practised): float
    {
        return Growth::of(array_map(static fn (array $one): Seen => new Seen('p', 'r', Side::Left, $one[1], new \DateTimeImmutable("2026-03-$one[0]"), isPractice: true), $practised), 'p', 'r', Side::Left);
    }
}
