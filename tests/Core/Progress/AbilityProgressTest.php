<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Progress;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Progress\AbilityProgress;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use PHPUnit\Framework\TestCase;

/** A plain answer for every kind of series. */
final class AbilityProgressTest extends TestCase
{
    private const NOW = '2026-06-01';

    public function testAChangeIsAgainstTheErrorsOfItsTwoReadings(): void
    {
        $two = self::of([['2026-01-01', 60.0], ['2026-05-01', 66.0]]);
        self::assertEqualsWithDelta([6.0, 1.96 * sqrt(2.0) * 2.0], [$two->change, $two->smallestReal], 1e-9);
        self::assertSame(['progress.changed', null, 2], [$two->because->code, $two->trend, $two->readings]);
        self::assertSame('progress.noise', self::of([['2026-01-01', 60.0], ['2026-05-01', 65.0]])->because->code);
        // In whatever order they stand.
        self::assertEqualsWithDelta(6.0, self::of([['2026-05-01', 66.0], ['2026-01-01', 60.0]])->change, 1e-9);
    }

    public function testOneDayTellsNoChange(): void
    {
        foreach ([[['2026-05-01', 60.0]], [['2026-05-01', 60.0], ['2026-05-01', 70.0],
            ['2026-05-01', 65.0]]] as $readings) {
            $one = self::of($readings);
            self::assertSame([null, null, null, 'progress.one'],
                [$one->change, $one->trend, $one->step, $one->because->code]);
        }
        self::assertSame('progress.bounds', self::of([['2026-05-01', 60.0, Bound::AtLeast],
            ['2026-04-01', 70.0, Bound::AtLeast]])->because->code);
    }

    public function testAGoalHasItsDay(): void
    {
        $grows = array_map(static fn (int $i): array => [date('Y-m-d', strtotime("2026-01-01 +$i weeks")),
            60.0 + 0.5 * $i], range(0, 20));
        $progress = self::of($grows, 80.0);
        self::assertSame('progress.forecast', $progress->because->code);
        self::assertGreaterThan(new \DateTimeImmutable(self::NOW), $progress->from);
        self::assertGreaterThan($progress->from, $progress->to);
        self::assertSame(80, $progress->chance);
        self::assertSame(['progress.held', null], [self::of($grows, 80.0, true)->because->code,
            self::of($grows, 80.0, true)->from], 'There is never a day for what is held.');
        self::assertSame(['progress.met', null], [self::of($grows, 65.0)->because->code, self::of($grows, 65.0)->from]);
        self::assertSame(['progress.grows', null], [self::of($grows)->because->code, self::of($grows)->from]);
        $falls = array_map(static fn (array $one): array => [$one[0], 130.0 - $one[1]], $grows);
        self::assertSame('progress.falls', self::of($falls)->because->code);
        self::assertNull(self::of($falls, 90.0)->from);
    }

    public function testTheSameReadingsAreReadTowardsAnotherGoal(): void
    {
        $grows = array_map(static fn (int $i): array => [date('Y-m-d', strtotime("2026-01-01 +$i weeks")),
            60.0 + 0.5 * $i], range(0, 20));
        foreach ([[null, false], [80.0, false], [65.0, false], [80.0, true]] as [$asked, $isHeld]) {
            self::assertEquals(self::of($grows, $asked, $isHeld), self::of($grows, 90.0)->towards($asked, $isHeld,
                new \DateTimeImmutable(self::NOW)));
        }
    }

    public function testWhatDoesNotMoveSaysSo(): void
    {
        $flat = array_map(static fn (int $i): array => [date('Y-m-d', strtotime("2026-01-01 +$i weeks")),
            60.0 + ($i % 2)], range(0, 20));
        self::assertSame('progress.flat', self::of($flat)->because->code);
        self::assertSame(['progress.not-by-this', null], [self::of($flat, 100.0)->because->code, self::of($flat, 100.0)
            ->from]);
    }

    /** A rung that was seen shows an angle at least, without an error of reading: it is no exact reading for that. */
    public function testWhatWasSeenPinsNoTrend(): void
    {
        $readings = array_map(static fn (int $i): Evidence => new Evidence(Ability::ExternalRotation, 60.0 + ($i % 2),
            Bound::Exact, Uncertainty::ofReading(2.0), 'shins-stacked',
            on: new \DateTimeImmutable("2026-01-01 +$i weeks")), range(0, 9));
        $seen = new Evidence(Ability::ExternalRotation, 62.5, Bound::AtLeast, Uncertainty::none(), 'seen',
            on: new \DateTimeImmutable('2026-03-12'));
        $progress = AbilityProgress::of(Ability::ExternalRotation, [...$readings, $seen],
            new \DateTimeImmutable(self::NOW));
        self::assertLessThan(0.95, $progress->trend?->chanceReal());
    }

    public function testWhatNobodyCanTellYetIsNoVerdict(): void
    {
        $few = [['2026-01-01', 60.0], ['2026-03-01', 62.0], ['2026-05-01', 63.0]];
        self::assertSame(['progress.unsure', null], [self::of($few, 95.0)->because->code, self::of($few, 95.0)->from]);
    }

    public function testAStepHasItsDay(): void
    {
        $step = array_map(static fn (int $i): array => [date('Y-m-d', strtotime("2026-01-01 +$i weeks")),
            ($i < 10 ? 70.0 : 55.0) + 0.4 * ($i % 3)], range(0, 20));
        self::assertSame('2026-03-12', self::of($step)->step?->format('Y-m-d'));
        self::assertNull(self::of(array_map(static fn (array $one): array => [$one[0], 70.0], $step))->step);
    }

    /** A year without any, or a clock that is an hour off, is a plain answer, too. */
    public function testLongAgoAndReadingsThatContradict(): void
    {
        $old = self::of([['2024-01-01', 60.0], ['2024-02-01', 61.0], ['2024-03-01', 62.0], ['2026-05-30', 62.5]]);
        self::assertNotNull($old->trend);
        $against = self::of([['2026-05-01', 40.0], ['2026-05-02', 90.0], ['2026-05-03', 40.0], ['2026-05-04', 90.0]]);
        self::assertLessThan(0.99, $against->trend?->chanceReal());
    }

    /** @param list<array{0: string, 1: float, 2?: Bound}> $readings */
    private static function of(array $readings, ?float $asked = null, bool $isHeld = false): AbilityProgress
    {
        return AbilityProgress::of(Ability::ExternalRotation,
            array_map(static fn (array $one): Evidence => new Evidence(Ability::ExternalRotation, $one[1], $one[2]
            ?? Bound::Exact, Uncertainty::ofReading(2.0), 'shins-stacked', on: new \DateTimeImmutable($one[0])),
                $readings), new \DateTimeImmutable(self::NOW), $asked, $isHeld);
    }
}
