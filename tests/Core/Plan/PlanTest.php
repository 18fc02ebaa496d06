<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PlannedWeek;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
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
            new PlannedWeek([$session('2026-03-02', $items), $session('2026-03-04', [])], note: self::note('sit')),
            new PlannedWeek([$session('2026-03-09', $items)], true, self::note('lie')),
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

    public function testEachWeekHasItsDailyNoteAndKeepsIt(): void
    {
        $on = static fn (Plan $plan, string $day): mixed => $plan->noteOn($day)?->numbers['posture'];
        foreach ([$this->plan, $this->plan->map(static fn (PlannedSession $one): PlannedSession => $one),
            $this->plan->with(0, [])] as $plan) {
            self::assertSame(['sit', 'sit', 'sit', 'lie', 'lie'], array_map(static fn (string $day): mixed => $on($plan,
                $day), ['2026-03-01', '2026-03-02', '2026-03-08', '2026-03-09', '2026-04-01']));
            self::assertSame(['sit', 'lie'], [$plan->dailyNote()?->numbers['posture'],
                $plan->dailyNote(1)?->numbers['posture']]);
        }
        self::assertNull((new Plan([new PlannedWeek([])], [], []))->noteOn('2026-03-02'));
    }

    private static function note(string $posture): Reason
    {
        return new Reason('plan.daily', Source::Trade, ['posture' => $posture]);
    }

    /** @return list<string|null> */
    private static function themes(Plan $plan): array
    {
        return array_map(static fn (PlannedSession $one): ?string => $one->theme, $plan->sessions());
    }
}
