<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\HoldRange;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PracticeDrill;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Rule\BothSides;
use LucidAscent\Core\Plan\Rule\OnlyWhatMay;
use LucidAscent\Core\Plan\Rule\PeakLast;
use LucidAscent\Core\Plan\SessionRules;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Tests\Core\Readiness\Person;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SessionRulesTest extends TestCase
{
    /**
     * @param list<string> $broken
     * @param list<array{string, string, int}> $items phase, posture and side, seconds
     */
    #[DataProvider('sessions')]
    public function testEachHardRule(array $broken, array $items, int $minutes = 30): void
    {
        $codes = array_map(static fn (Reason $reason): string => $reason->code,
            SessionRules::broken(self::session($items), $minutes, self::poses()));
        sort($codes);
        self::assertSame($broken, $codes);
    }

    public static function sessions(): iterable
    {
        $warm = ['warm-up', 'lying both', 300];
        $lying = [['work', 'lying left', 60], ['work', 'lying right', 60], ['counter', 'undo both', 45]];
        $loaded = [['work', 'loaded left', 60], ['work', 'loaded right', 60], ['counter', 'undo both', 45]];
        yield 'all is well' => [[], [$warm, ...$lying, ...$loaded, ['rest', 'lying both', 60]]];
        yield 'over time' => [['rule.time'], [$warm, ...$lying], 5];
        yield 'just in time' => [[], [['warm-up', 'lying both', 300], ['work', 'lying both', 225],
            ['counter', 'undo both', 45]], 10];
        yield 'too little warming up' => [['rule.warm-up'], [['warm-up', 'lying both', 200], ...$lying]];
        yield 'warming up after work' => [['rule.warm-up-first'], [$warm, ...$lying, $warm]];
        yield 'lying or not makes no difference' => [[], [$warm, ...$loaded, ...$lying]];
        // The one that is deep here is held as well.
        $open = [['work', 'held left', 60], ['work', 'held right', 60]];
        $both = ['rule.counter', 'rule.held'];
        yield 'no counterpose' => [$both, [$warm, ...$open, ['rest', 'lying both', 60]]];
        yield 'no counterpose before the next' => [$both, [$warm, ...$open, ['work', 'loaded both', 60],
            ['counter', 'undo both', 45]]];
        yield 'no counterpose at the end' => [$both, [$warm, ...$open]];
        yield 'a counterpose' => [['rule.held'], [$warm, ...$open, ['counter', 'undo both', 45]]];
        yield 'none is owed to what is gentle' => [[], [$warm, ['work', 'lying both', 60]]];
        yield 'one side only' => [['rule.sides'], [$warm, ['work', 'lying left', 60], ['counter', 'undo both', 45]]];
        yield 'above where the side stands' => [['rule.closed'],
            [$warm, ['work', 'closed both', 60], ['counter', 'undo both', 45]]];
        yield 'short session, three minutes' => [[], [['warm-up', 'lying both', 180], ...$lying], 24];
        yield 'short session, less' => [['rule.warm-up'], [['warm-up', 'lying both', 175], ...$lying], 24];
        yield 'held' => [['rule.held'], [$warm, ['work', 'held both', 60], ['counter', 'undo both', 45]]];
    }

    public function testNothingDeepComesAfterThePoseOfTheDay(): void
    {
        $broken = static fn (string $theme, array $items, bool $lotusLast = false,
            bool $isSet = false): array => array_map(
                static fn (Reason $reason): mixed => $reason->numbers['posture'].' after '.$reason->numbers['theme'],
                (new PeakLast())->broken(new PlannedSession(new \DateTimeImmutable('2026-03-02'),
                    array_map(static fn (PlannedItem $item): PlannedItem => new PlannedItem(new PracticeRung($item->rung
                        ->posture, $item->rung->name, $item->rung->rung, Stance::Lying, [], [], true, isLotus: 'held'
                            === $item->rung->posture), $item->phase, $item->side, 60, $item->because, isSet: $isSet),
                        self::session($items)->items), $theme, dose: Doses::countedBreath(1, $lotusLast)), 30,
                    self::poses()));
        $items = [['work', 'lying both', 60], ['work', 'closed both', 60], ['counter', 'undo both', 45],
            ['work', 'held both', 60], ['work', 'lying both', 60]];
        self::assertSame(['held after closed'], $broken('closed', $items));
        self::assertSame([], $broken('held', $items), 'What is gentle may come after it.');
        self::assertSame([], $broken('lying', $items), 'A gentle one is no peak.');
        self::assertSame([], $broken('closed', $items, true), 'Lotus lying at the end, where the school has it so.');
        self::assertSame([], $broken('closed', $items, isSet: true), 'What was set keeps its order.');
    }

    public function testDeepWorkOfOneComponentOnDaysTooClose(): void
    {
        $items = self::session([['work', 'held both', 60], ['counter', 'undo both', 45]])->items;
        $on = static fn (string $day,
            array $items): PlannedSession => new PlannedSession(new \DateTimeImmutable("2026-03-$day"), $items);
        self::assertCount(1, SessionRules::tooClose([$on('02', $items), $on('03', $items)], 2, self::poses()));
        self::assertSame([], SessionRules::tooClose([$on('02', $items), $on('03', $items)], 1, self::poses()));
        self::assertSame([], SessionRules::tooClose([$on('02', $items), $on('04', $items)], 2, self::poses()));
        $gentle = self::session([['work', 'lying both', 60], ['counter', 'undo both', 45]])->items;
        self::assertSame([], SessionRules::tooClose([$on('02', $gentle), $on('03', $gentle)], 2, self::poses()));
    }

    public function testPropsThatAreNotThere(): void
    {
        $needs = static fn (array $props): PracticeRung => new PracticeRung('a', 'A',
            new RungDefinition('a', 'A', null, [], new Work([], true)), Stance::Lying, [], $props, true);
        $few = new Equipment(1, 0, false);
        self::assertSame(['wall', 'blanket', 'strap'], (new Equipment(1, 0, false, ['wall', 'chair']))
            ->missing($needs(['block' => 1, 'wall' => 1, 'blanket' => 2, 'strap' => 2])));
        self::assertSame([], (new Equipment(1, 2, true))->missing($needs(['block' => 1, 'wall' => 1, 'blanket' => 2,
            'strap' => 2])), 'One strap is a strap.');
        self::assertTrue($few->has($needs(['block' => 1])));
        self::assertFalse($few->has($needs(['block' => 2])));
        self::assertFalse($few->has($needs(['blanket' => 1])));
        self::assertFalse($few->has($needs(['strap' => 1])));
        foreach (Equipment::THERE_OR_NOT as $kind) {
            self::assertTrue($few->has($needs([$kind => 1])), 'Where nobody has said, it is there.');
            self::assertFalse((new Equipment(9, 9, true, [$kind]))->has($needs([$kind => 1])));
            self::assertTrue((new Equipment(9, 9, true, [$kind]))->has($needs(['block' => 1])));
        }
    }

    /** Garber et al. (2011): 60 s in all for a muscle group at least. */
    public function testNoSchoolDosesBelowThePublishedFloor(): void
    {
        foreach ([true, false] as $gentle) {
            $rung = new PracticeRung('a', 'A', new RungDefinition('a', 'A', null, [], new Work([], $gentle)),
                Stance::Lying, [], [], true);
            foreach ([Doses::longAndStill(2), Doses::workingMuscle(2), Doses::countedBreath(1)] as $dose) {
                self::assertGreaterThanOrEqual(60.0, $dose->seconds($rung));
            }
        }
    }

    /** @param list<array{string, string, int}> $items */
    private static function session(array $items): PlannedSession
    {
        $stances = ['lying' => Stance::Lying, 'undo' => Stance::Lying, 'held' => Stance::Seated,
            'loaded' => Stance::Bearing, 'closed' => Stance::Bearing];

        return new PlannedSession(new \DateTimeImmutable('2026-03-02'),
            array_map(static function (array $item) use ($stances): PlannedItem {
                [$posture, $side] = explode(' ', $item[1]);

                return new PlannedItem(
                    new PracticeRung($posture, ucfirst($posture), self::poses()->postures[$posture]->full(),
                        $stances[$posture], ['undo'], [], 'both' === $side),
                    Phase::from($item[0]),
                    Side::tryFrom($side),
                    $item[2],
                    new Reason('plan.stage', Source::Own),
                );
            }, $items));
    }

    private static function poses(): ReadPoses
    {
        $postures = [];
        foreach (['lying' => ['lying-rest'], 'undo' => ['lying-rest'], 'held' => ['turn-out'],
            'loaded' => ['weight-on-knee'], 'closed' => ['weight-on-knee']] as $id => $loads) {
            $first = new RungDefinition('first', 'First', null, ['rotation' => 70.0], new Work([], true));
            $full = new RungDefinition($id, $id, null, ['rotation' => 70.0],
                new Work($loads, 'held' !== $id && 'closed' !== $id));
            $postures[$id] = new PostureDefinition($id, ucfirst($id), [Ability::ExternalRotation], 'closed' === $id
                ? [$first, $full] : [$full], []);
        }

        return new ReadPoses($postures, Person::of([], [new Condition('c', 'C', ['turn-out'])]));
    }

    public function testASessionLastsAsLongAsItsItemsWithTheChangesInThem(): void
    {
        $session = self::session([['warm-up', 'lying both', 300], ['work', 'lying left', 60],
            ['work', 'lying right', 60]]);
        self::assertSame([420, 7], [$session->seconds(), $session->minutes()]);
        self::assertSame(10, self::session([['rest', 'lying both', 600]])->minutes(), 'Ten minutes to the second.');
    }

    public function testTheLeastWarmUp(): void
    {
        self::assertSame([180, 180, 300, 300], array_map(\LucidAscent\Core\Plan\Rule\WarmUpFirst::least(...),
            [10, 24, 25, 60]));
    }

    public function testARungThatIsNotThereIsClosed(): void
    {
        $item = new PlannedItem(new PracticeRung('lying', 'Lying',
            new RungDefinition('no-such', 'No such', null, [], new Work([], true)), Stance::Lying, [], [], true),
            Phase::Rest, Side::Left, 60, new Reason('plan.rest', Source::Trade));
        $codes = array_map(static fn (Reason $reason): string => $reason->code,
            SessionRules::broken(new PlannedSession(new \DateTimeImmutable('2026-03-02'), [$item]), 30, self::poses()));
        self::assertContains('rule.closed', $codes);
    }

    public function testBesideASideThatRestsOnlyGentleShapesGoOn(): void
    {
        $day = new \DateTimeImmutable('2026-03-05');
        $codes = static function (string $item, ?Side $hurt, PainPlace $place = PainPlace::Knee,
            string $phase = 'work') use ($day): array {
            $entries = null === $hurt ? [] : [new PainTold('p', $day, $day, new Pain(2, $place, PainKind::Ache),
                $hurt)];
            $poses = new ReadPoses(self::poses()->postures, Person::of([], entries: $entries));

            return array_map(static fn (Reason $reason): string => $reason->code, (new OnlyWhatMay())
                ->broken(self::session([[$phase, $item, 60]]), 30, $poses));
        };
        self::assertSame(['rule.closed'], $codes('held right', Side::Left), 'Deep, while the left knee hurts.');
        self::assertSame(['rule.closed'], $codes('held right', Side::Left, phase: 'warm-up'),
            'Not for warming up either.');
        self::assertSame([], $codes('lying right', Side::Left));
        self::assertSame([], $codes('held right', null));
        self::assertSame([], $codes('held right', Side::Left, PainPlace::OuterHip), 'A mild ache rests no side.');
        foreach ([new Work([], true, isBearing: true), new Work(['balance'], true)] as $standing) {
            $pains = static fn (?Side $hurt): Holds => Holds::of(null === $hurt ? [] : [new PainTold('p', $day, $day,
                new Pain(2, PainPlace::Knee, PainKind::Ache), $hurt)], $day);
            self::assertFalse(May::load($pains(Side::Left), $standing, Side::Right)->isYes(),
                'Nobody stands on the leg that hurts while the other is lifted.');
            self::assertTrue(May::load($pains(null), $standing, Side::Right)->isYes());
        }
        self::assertSame(['rule.held'], $codes('held both', Side::Right));
        self::assertSame(['rule.closed'], $codes('closed left', null, phase: 'warm-up'),
            'What for makes no difference.');
        self::assertSame(['rule.closed'], $codes('closed left', null));
    }

    public function testBothSidesAreWorkedOnWhereBothMayBe(): void
    {
        $broken = static function (string $item, bool $isDrill): array {
            $only = self::session([['work', $item, 60]])->items[0];
            $drill = $isDrill ? new PracticeDrill('circle', 'Circle', $only->rung, new HoldRange(30.0, 60.0), 10.0,
                true, []) : null;

            return array_map(static fn (Reason $reason): mixed => $reason->numbers['posture'], (new BothSides())
                ->broken(new PlannedSession(new \DateTimeImmutable('2026-03-02'),
                    [new PlannedItem($only->rung, $only->phase, $only->side, 60, $only->because, $drill)]), 30,
                    self::poses()));
        };
        self::assertSame(['lying'], $broken('lying left', false));
        self::assertSame(['closed'], $broken('closed left', false), 'The other side has a rung of it to stand on.');
        self::assertSame([], $broken('held left', false), 'Held on both sides.');
        self::assertSame(['circle'], $broken('lying left', true));
        self::assertSame([], $broken('closed left', true),
            'A drill is done in its own shape, and that is not open on the other side.');
        self::assertSame([], $broken('lying both', false));
    }
}
