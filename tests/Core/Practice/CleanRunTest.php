<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Practice;

use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Practice\CleanRun;
use LucidAscent\Core\Practice\ReadinessCheck;
use PHPUnit\Framework\TestCase;

final class CleanRunTest extends TestCase
{
    public function testThreeInARowOnOneRungAreEnough(): void
    {
        self::assertSame([1, 2, 3], self::days([[1, 'a'], [2, 'a'], [3, 'a']]));
        self::assertTrue(CleanRun::of([self::check(1), self::check(2), self::check(3)])->isEnough(false));
        self::assertFalse(CleanRun::of([self::check(1), self::check(2)])->isEnough(false));
        self::assertFalse(CleanRun::none()->isEnough(false));
    }

    public function testWhereARungTakesDaysTheySpanEight(): void
    {
        $enough = static fn (int ...$days): bool => CleanRun::of(array_map(self::check(...), $days))->isEnough(true);
        self::assertFalse($enough(1, 4, 8));
        self::assertTrue($enough(1, 4, 9));
        self::assertFalse($enough(1, 9), 'Three, all the same.');
        self::assertTrue($enough(1, 3, 5, 9));
    }

    public function testAnotherRungOneThatWasNotCleanOrALongBreakBeginsAnew(): void
    {
        self::assertSame([3], self::days([[1, 'a'], [2, 'a'], [3, 'b']]));
        self::assertSame([3], self::days([[1, 'a'], [2, 'a', false], [3, 'a']]));
        self::assertSame([], self::days([[1, 'a'], [2, 'a', false]]));
        self::assertSame([1, 43], self::days([[1, 'a'], [43, 'a']]), 'Six weeks are no break.');
        self::assertSame([44], self::days([[1, 'a'], [44, 'a']]), 'A day more is one.');
        self::assertSame([44, 46], self::days([[1, 'a'], [2, 'a', false], [44, 'a'], [46, 'a']]));
        self::assertSame([46], self::days([[1, 'a'], [2, 'a', false], [46, 'a']]));
    }

    /**
     * @param list<array{0: int, 1: string, 2?: bool}> $sessions day, rung, whether it was clean
     *
     * @return list<int> the days of the run
     */
    private static function days(array $sessions): array
    {
        $run = CleanRun::of(array_map(static fn (array $one): ReadinessCheck => self::check($one[0], $one[1], $one[2]
            ?? true), $sessions));

        return array_map(
            static fn (ReadinessCheck $check): int => (int) $check->on
                ->diff(new \DateTimeImmutable('2025-12-31'))->days,
            $run->checks,
        );
    }

    private static function check(int $day, string $rung = 'a', bool $isClean = true): ReadinessCheck
    {
        return new ReadinessCheck($rung, (new \DateTimeImmutable('2025-12-31'))->modify("+$day days"), $isClean, true,
            Pain::none());
    }
}
