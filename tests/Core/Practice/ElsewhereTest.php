<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Practice;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Practice\Elsewhere;
use LucidAscent\Core\Practice\ElsewhereKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ElsewhereTest extends TestCase
{
    #[TestWith([0])]
    #[TestWith([601])]
    #[TestWith([1800])]
    public function testNobodyDoesThat(int $minutes): void
    {
        $this->expectException(InvalidValue::class);
        self::done('teaching', $minutes, 1);
    }

    /** @param list<Elsewhere> $all */
    #[DataProvider('near')]
    public function testDeepWorkElsewhereIsDeepWork(array $all, int $day, int $apart, ?int $minutes): void
    {
        self::assertSame($minutes, Elsewhere::tooNear($all, self::day($day), $apart)?->minutes);
    }

    /** @return iterable<string, array{list<Elsewhere>, int, int, int|null}> */
    public static function near(): iterable
    {
        $class = self::done('lesson', 75, 4);
        yield 'on the day' => [[$class], 4, 1, 75];
        yield 'the day after, where that is allowed' => [[$class], 5, 1, null];
        yield 'the day after, where it is not' => [[$class], 5, 2, 75];
        yield 'two days after' => [[$class], 6, 2, null];
        yield 'the day before' => [[$class], 3, 2, null];
        yield 'a short one' => [[self::done('lesson', 19, 4)], 4, 1, null];
        yield 'just long enough' => [[self::done('teaching', 20, 4)], 4, 1, 20];
        yield 'a sport bends no hip so deep' => [[self::done('running', 90, 4)], 4, 1, null];
        yield 'the last of several' => [[self::done('lesson', 40, 3), $class, self::done('lesson', 50, 2)], 5, 9, 75];
    }

    /** @param list<Elsewhere> $all */
    #[DataProvider('much')]
    public function testAfterMuchOfAnythingHoldsAreShort(array $all, bool $isMuch): void
    {
        self::assertSame($isMuch, Elsewhere::isMuch($all, self::day(5)));
    }

    /** @return iterable<string, array{list<Elsewhere>, bool}> */
    public static function much(): iterable
    {
        yield 'nothing' => [[], false];
        yield 'an hour on the day' => [[self::done('running', 60, 5)], true];
        yield 'less' => [[self::done('running', 59, 5)], false];
        yield 'an hour the day before' => [[self::done('cycling', 60, 4)], true];
        yield 'in two parts' => [[self::done('cycling', 30, 4), self::done('climbing', 30, 4)], true];
        yield 'half an hour on each of two days' => [[self::done('cycling', 30, 4), self::done('other', 30, 5)], false];
        yield 'two days before' => [[self::done('strength', 120, 3)], false];
        yield 'the day after' => [[self::done('strength', 120, 6)], false];
    }

    private static function done(string $kind, int $minutes, int $day): Elsewhere
    {
        return new Elsewhere(ElsewhereKind::from($kind), $minutes, self::day($day));
    }

    private static function day(int $day): \DateTimeImmutable
    {
        return new \DateTimeImmutable("2026-03-0$day");
    }
}
