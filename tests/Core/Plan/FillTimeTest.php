<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Plan\Dose;
use LucidAscent\Core\Plan\FillTime;
use LucidAscent\Core\Plan\HoldRange;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PracticeDrill;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use PHPUnit\Framework\TestCase;

/** Holds: their ranges, and how they are lengthened. */
final class FillTimeTest extends TestCase
{
    public function testAHoldIsSaidInManyWays(): void
    {
        $in = static fn (string $unit, int $least, int $most, float ...$each): array => [
            ($range = HoldRange::in($unit, $least, $most, ...$each))->least, $range->most];
        self::assertSame([25.0, 50.0], $in('breaths', 5, 10));
        self::assertSame([120.0, 480.0], $in('minutes', 2, 8));
        self::assertSame([30.0, 90.0], $in('seconds', 30, 90));
        self::assertSame([30.0, 60.0], $in('repetitions', 3, 6), 'movements');
        self::assertSame([99.0, 231.0], $in('repetitions', 3, 7, HoldRange::PRESS_AND_YIELD));
    }

    public function testARungsOwnRangeInTheSchoolsWayComesFirst(): void
    {
        $own = ['long-still' => new HoldRange(300.0, 600.0), PracticeRung::ANY => new HoldRange(90.0, 100.0)];
        self::assertSame([300.0, 600.0], [Doses::longAndStill(1)->seconds(self::rung('a', $own)), Doses::longAndStill(1)
            ->most(self::rung('a', $own))]);
        self::assertSame([90.0, 100.0], [Doses::countedBreath(1)->seconds(self::rung('a', $own)),
            Doses::countedBreath(1)->most(self::rung('a', $own))]);
        self::assertSame([60.0, 150.0], [Doses::countedBreath(1)->seconds(self::rung('a')), Doses::countedBreath(1)
            ->most(self::rung('a'))]);
        self::assertSame([180.0, 120.0], [Doses::longAndStill(1)->seconds(self::rung('a')), Doses::longAndStill(1)
            ->seconds(self::rung('a', [], false))]);
        $short = [PracticeRung::ANY => new HoldRange(15.0, 40.0)];
        self::assertSame([40.0, 40.0], [Doses::countedBreath(1)->seconds(self::rung('a', $short)),
            Doses::countedBreath(1)->most(self::rung('a', $short))],
            'Never longer than its most, for no minute either.');
    }

    public function testBreathsAreCountedWhereBreathIs(): void
    {
        $shown = static fn (Dose $dose, int $seconds, ?HoldRange $own = null): array => [
            ($item = self::item('a', $seconds, Side::Left, holds: $own))->breaths($dose), $item->repetitions($dose)];
        // Ten seconds of coming in are no part of it.
        self::assertSame([12, null], $shown(Doses::countedBreath(1), 70));
        self::assertSame([null, null], $shown(Doses::longAndStill(1), 190));
        self::assertSame([null, 4], $shown(Doses::workingMuscle(1), 142));
        // Its own unit, in every school, and never beyond its range.
        $breaths = HoldRange::in('breaths', 2, 5);
        self::assertSame([5, null], $shown(Doses::countedBreath(1), 70, $breaths));
        self::assertSame([2, null], $shown(Doses::workingMuscle(1), 12, $breaths));
        self::assertSame([null, 5], $shown(Doses::countedBreath(1), 60, HoldRange::in('repetitions', 3, 7)));
        self::assertTrue(self::item('a', 142, Side::Left)->isPressed(Doses::workingMuscle(1)));
        self::assertFalse(self::item('a', 60, Side::Left, holds: HoldRange::in('repetitions', 3, 7))
            ->isPressed(Doses::workingMuscle(1)), 'A movement is none.');
    }

    public function testALighterWeekStaysInTheRange(): void
    {
        $lighter = static fn (int $seconds): int => self::item('a', $seconds, Side::Left, holds: new HoldRange(60.0,
            300.0))->lighter(Doses::countedBreath(1), 0.6)->seconds;
        self::assertSame([120, 70, 70], [$lighter(200), $lighter(100), $lighter(70)]);
    }

    public function testGentleHoldsGrowTogetherUntilTheTimeIsUsed(): void
    {
        $items = [self::item('a', 100, Side::Left), self::item('a', 100, Side::Right), self::item('a', 50, Side::Left),
            self::item('deep', 100, Side::Left, false), self::item('a', 45, null, true, Phase::Counter)];
        self::assertSame([200, 200, 100, 100, 45], self::seconds(FillTime::of($items, 250, Doses::longAndStill(1))));
        self::assertSame([100, 100, 50, 100, 45], self::seconds(FillTime::of($items, 0, Doses::longAndStill(1))),
            'no time, no longer');
        self::assertSame([910, 910, 455, 100, 45], self::seconds(FillTime::of($items, 9000, Doses::longAndStill(1))),
            'as long as it may be, and in proportion');
        self::assertSame(2025, FillTime::room($items, Doses::longAndStill(1)));
        self::assertSame([100, 100, 50, 100, 45], self::seconds(FillTime::of($items, 250, Doses::longAndStill(1),
            ['a'])), 'what keeps short keeps short');
        self::assertSame(0, FillTime::room($items, Doses::longAndStill(1), ['a']));
        self::assertSame([], FillTime::of([], 100, Doses::longAndStill(1)));
    }

    /** The square roots of the minutes, each with its worth, can be brought to no larger sum. */
    public function testASecondMinuteIsWorthLessThanTheFirst(): void
    {
        $items = [self::item('a', 70, Side::Left), self::item('b', 300, Side::Left), self::item('c', 70, Side::Left),
            self::item('d', 70, Side::Left)];
        self::assertSame([225, 300, 225, 510], self::seconds(FillTime::of($items, 755, Doses::longAndStill(1), [],
            ['d' => 1.5])), 'what is worth half as much again is held two and a quarter times as long, and what is long already stays');
        mt_srand(7);
        $value = static fn (array $seconds, array $worth): float => array_sum(array_map(static fn (int $s,
            float $w): float => $w * sqrt($s), $seconds, $worth));
        for ($run = 0; $run < 100; ++$run) {
            $worth = array_map(static fn (): float => mt_rand(10, 20) / 10, range(0, 3));
            $filled = self::seconds(FillTime::of($items, mt_rand(100, 2500), Doses::longAndStill(1), [],
                array_combine(['a', 'b', 'c', 'd'], $worth)));
            [$from, $to] = [mt_rand(0, 3), mt_rand(0, 3)];
            $moved = $filled;
            $moved[$from] -= 30;
            $moved[$to] += 30;
            if ($from !== $to && $moved[$from] >= self::seconds($items)[$from] && $moved[$to] <= 910) {
                self::assertLessThanOrEqual($value($filled, $worth) + 0.2, $value($moved, $worth));
            }
        }
    }

    public function testADrillIsRepeatedAsOftenAsItsOwnRangeHasIt(): void
    {
        $drill = new PracticeDrill('d', 'D', self::rung('a'), new HoldRange(99.0, 231.0), 33.0, true, []);
        $item = new PlannedItem(self::rung('a'), Phase::Work, Side::Left, 110, new Reason('plan.drill', Source::Own),
            $drill);
        [$more] = FillTime::of([$item], 900, Doses::countedBreath(1));
        self::assertSame([240, 7, null], [$more->seconds, $more->repetitions(Doses::countedBreath(1)),
            $more->breaths(Doses::countedBreath(1))]);
        self::assertSame([105, 3], [$more->begun(Doses::countedBreath(1))->seconds,
            $more->begun(Doses::countedBreath(1))->repetitions(null)]);
        self::assertNull((new PracticeDrill('d', 'D', self::rung('a'), new HoldRange(30.0, 60.0), 0.0, true, []))
            ->repetitions(60), 'what is not counted');
        self::assertSame([220, 220], self::seconds(FillTime::of([$item, self::item('a', 70, Side::Left)], 260,
            Doses::longAndStill(1))), 'apart from the posture in which it is done');
    }

    public function testAShapeThatIsDeepOnOneSideIsDeep(): void
    {
        $items = [self::item('a', 100, Side::Left), self::item('a', 100, Side::Right, false)];
        self::assertSame([100, 100], self::seconds(FillTime::of($items, 900, Doses::longAndStill(1))));
    }

    public function testNothingIsEverLongerThanTheTimeThereIs(): void
    {
        mt_srand(5);
        for ($run = 0; $run < 200; ++$run) {
            $items = [];
            for ($i = mt_rand(1, 6); $i > 0; --$i) {
                $items[] = self::item("p$i", 5 * mt_rand(12, 40), Side::Left, mt_rand(0, 3) > 0);
            }
            $left = mt_rand(0, 4000);
            $filled = FillTime::of($items, $left, Doses::longAndStill(1));
            $added = array_sum(self::seconds($filled)) - array_sum(self::seconds($items));
            self::assertGreaterThanOrEqual(0, $added);
            self::assertLessThanOrEqual($left, $added);
            self::assertGreaterThanOrEqual(min($left, FillTime::room($items,
                Doses::longAndStill(1))) - FillTime::GRAIN * count($items) - 1, $added, 'and no time is wasted');
            foreach ($filled as $item) {
                self::assertSame(0, $item->seconds % FillTime::GRAIN);
                self::assertLessThanOrEqual(PlannedSession::CHANGE + 900, $item->seconds);
            }
        }
    }

    /** @param array<string, HoldRange> $holds */
    private static function rung(string $posture, array $holds = [], bool $isGentle = true): PracticeRung
    {
        return new PracticeRung($posture, $posture, new RungDefinition('r', 'R', null, [], new Work([], $isGentle)),
            Stance::Lying, [], [], false, holds: $holds);
    }

    private static function item(
        string $posture,
        int $seconds,
        ?Side $side,
        bool $isGentle = true,
        Phase $phase = Phase::Work,
        ?HoldRange $holds = null,
    ): PlannedItem {
        $rung = self::rung($posture, null === $holds ? [] : [PracticeRung::ANY => $holds], $isGentle);

        return new PlannedItem($rung, $phase, $side, $seconds, new Reason('plan.stage', Source::Own));
    }

    /**
     * @param list<PlannedItem> $items
     *
     * @return list<int>
     */
    private static function seconds(array $items): array
    {
        return array_map(static fn (PlannedItem $item): int => $item->seconds, $items);
    }
}
