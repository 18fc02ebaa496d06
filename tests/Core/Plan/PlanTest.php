<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PlannedWeek;
use PHPUnit\Framework\TestCase;

final class PlanTest extends TestCase
{
    private Plan $plan;

    protected function setUp(): void
    {
        $items = TodayTest::session(['work turn left 400'])->items;
        $session = static fn (string $day, array $items): PlannedSession => new PlannedSession(
            new \DateTimeImmutable($day), $items, $day);
        $this->plan = new Plan([
            new PlannedWeek([$session('2026-03-02', $items), $session('2026-03-04', [])]),
            new PlannedWeek([$session('2026-03-09', $items)], true),
        ], [], []);
    }

    public function testASessionIsFoundByItsPlaceAndByItsDay(): void
    {
        self::assertSame('2026-03-04', $this->plan->session(0, 1)?->theme);
        self::assertNull($this->plan->session(1, 1));
        self::assertNull($this->plan->session(2, 0));
        self::assertSame([0, 0], $this->plan->on('2026-03-02'));
        self::assertSame([1, 0], $this->plan->on('2026-03-09'));
        self::assertNull($this->plan->on('2026-03-04'), 'Nothing is done on that day.');
        self::assertNull($this->plan->on('2026-03-05'));
        self::assertSame(['2026-03-02', '2026-03-04', '2026-03-09'], self::themes($this->plan));
    }

    public function testAChangedSessionTakesTheOthersPlaceAndNoMore(): void
    {
        $changed = $this->plan->with(0, [1 => new PlannedSession(new \DateTimeImmutable('2026-03-04'), [], 'else')]);
        self::assertSame(['2026-03-02', 'else', '2026-03-09'], self::themes($changed));
        self::assertSame([false, true], array_column($changed->weeks, 'isLight'));
    }

    public function testEachSessionIsChangedKnowingItsPlace(): void
    {
        $changed = $this->plan->map(static fn (PlannedSession $one, int $week,
            int $turn): PlannedSession => new PlannedSession($one->on, $one->items, "$week.$turn"));
        self::assertSame(['0.0', '0.1', '1.0'], self::themes($changed));
        self::assertSame([false, true], array_column($changed->weeks, 'isLight'));
    }

    public function testWhereSomethingMayBeDoneTheDailyNoteIsGiven(): void
    {
        self::assertSame('plan.daily-note', $this->plan->dailyNote()?->code);
        self::assertNull((new Plan([new PlannedWeek([new PlannedSession(new \DateTimeImmutable('2026-03-02'), [])])],
            [], []))->dailyNote());
    }

    /** @return list<string|null> */
    private static function themes(Plan $plan): array
    {
        return array_map(static fn (PlannedSession $one): ?string => $one->theme, $plan->sessions());
    }
}
