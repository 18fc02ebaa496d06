<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\Candidates;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PlannedWeek;
use LucidAscent\Core\Plan\Planner;
use LucidAscent\Core\Plan\PlanRequest;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\SessionRules;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Tests\Core\Readiness\Person;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * A small world: a turner and a spreader, each with a gentle rung below a deep one; two gentle postures to warm
 * up in, the first of which is also rested in; and one that undoes both.
 */
final class PlannerTest extends TestCase
{
    private const MONDAY = '2026-03-09';
    private const TESTS = ['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]],
        'frog' => [['span' => 90.0]]];

    public function testASessionWarmsUpWorksUndoesAndRests(): void
    {
        $session = self::first(self::plan(['turner'], seen: self::deep()));
        self::assertSame(['warm-up', 'warm-up', 'warm-up', 'work', 'work', 'counter', 'rest'],
            array_map(static fn (PlannedItem $item): string => $item->phase->value, $session->items));
        self::assertSame([130, 130], array_map(static fn (PlannedItem $item): int => $item->seconds,
            self::work($session)), 'What is deep is not held longer because there is time.');
        self::assertSame(['warm-a', 'warm-b', 'warm-b', 'turner', 'turner', 'undo', 'warm-a'],
            array_map(static fn (PlannedItem $item): string => $item->rung->posture, $session->items));
        self::assertSame([null, Side::Left, Side::Right], [$session->items[0]->side, $session->items[1]->side,
            $session->items[2]->side], 'What is one-sided is done on both sides.');
        self::assertSame(['plan.warm-up', 'plan.warm-up', 'plan.warm-up', 'plan.stage', 'plan.stage', 'plan.counter',
            'plan.rest'], array_map(static fn (PlannedItem $item): string => $item->because->code, $session->items));
        self::assertSame([345, 45, 175], [self::seconds($session, Phase::WarmUp),
            self::seconds($session, Phase::Counter), self::seconds($session, Phase::Rest)],
            'Five minutes of thirty to warm up and to read the number, and a tenth to rest where nothing else takes it.');
        self::assertSame(['shins-stacked', Side::Left], [$session->measure?->test->id, $session->measure?->side]);
        self::assertSame('turner', $session->theme);
        self::assertSame([Side::Left, Side::Right], array_map(static fn (PlannedItem $item): ?Side => $item->side,
            self::work($session)));
        $session = self::first(self::plan(['turner']));
        self::assertSame([], array_filter($session->items, static fn (PlannedItem $item): bool => Phase::Counter
            === $item->phase), 'What is gentle owes no counterpose.');
        self::assertSame([190, 190], array_map(static fn (PlannedItem $item): int => $item->seconds,
            self::work($session)), 'New for this person: as long as it is held at least.');
        self::assertSame('plan.unused-new', $session->unused?->because->code);
        self::assertSame('low', self::work($session)[0]->rung->rung->id,
            'Nobody starts on the highest rung that the numbers allow.');
    }

    public function testWhatIsAlikeOnBothSidesIsOneShape(): void
    {
        $ladders = self::ladders();
        $ladders['turner'] = array_map(static fn (PracticeRung $rung): PracticeRung => new PracticeRung($rung->posture,
            $rung->name, $rung->rung, $rung->stance, $rung->counters, [], true), $ladders['turner']);
        $items = static fn (array $seen): array => array_map(static fn (PlannedItem $item): array => [$item->side,
            $item->rung->rung->id], self::work(self::first((new Planner(self::poses(seen: $seen), $ladders,
                Doses::longAndStill(2)))->plan(['turner'], self::request(1, [1], 60)))));
        self::assertSame([[null, 'low']], $items([]));
        self::assertSame(190, self::work(self::first((new Planner(self::poses(), $ladders, Doses::longAndStill(2)))
            ->plan(['turner'], self::request(1, [1], 60))))[0]->seconds,
            'Once, for as long as a side, and the coming in.');
        $ahead = new Seen('turner', 'low', Side::Left, true, new \DateTimeImmutable('2026-03-05'));
        self::assertSame([[null, 'low']], $items([$ahead]), 'One side stands higher: both do what the other can.');
    }

    /** However many there are to warm up with, each lasts more than a minute. */
    public function testAWarmUpOfManyShapes(): void
    {
        $ladders = self::ladders();
        $postures = ['spreader' => 3, 'summit' => 4, 'undo' => 5, 'turner' => 6];
        foreach ($postures as $id => $place) {
            $rung = $ladders[$id][0];
            $ladders[$id][0] = new PracticeRung($rung->posture, $rung->name, $rung->rung, $rung->stance,
                $rung->counters, [], $rung->isSymmetric, $place);
        }
        $warm = array_values(array_filter(self::first((new Planner(self::poses(), $ladders, Doses::longAndStill(2)))
            ->plan(['turner'], self::request(1, [1], 30)))->items, static fn (PlannedItem $item): bool => Phase::WarmUp
            === $item->phase));
        self::assertSame(['warm-a', 'warm-b', 'warm-b', 'spreader', 'spreader'],
            array_map(static fn (PlannedItem $item): string => $item->rung->posture, $warm));
        self::assertSame(115, $warm[0]->seconds);
    }

    /** @param list<int> $days */
    #[DataProvider('requests')]
    public function testNoSessionBreaksAHardRule(
        array $wanted,
        int $minutes,
        array $days,
        int $apart,
        array $seen,
    ): void {
        $poses = self::poses(seen: $seen);
        $plan = (new Planner($poses, self::ladders(), Doses::longAndStill($apart)))
            ->plan($wanted, self::request(6, $days, $minutes));
        foreach ($plan->weeks as $week) {
            foreach ($week->sessions as $session) {
                self::assertSame([], SessionRules::broken($session, $minutes, $poses), $session->on->format('Y-m-d'));
            }
        }
        $sessions = array_merge(...array_map(static fn (PlannedWeek $week): array => $week->sessions, $plan->weeks));
        self::assertSame([], SessionRules::tooClose($sessions, $apart, $poses));
        self::assertEquals($plan, (new Planner($poses, self::ladders(), Doses::longAndStill($apart)))
            ->plan($wanted, self::request(6, $days, $minutes)), 'The same person and days give the same plan.');
    }

    /** @return iterable<array{list<string>, int, list<int>, int, list<Seen>}> */
    public static function requests(): iterable
    {
        foreach ([10, 24, 25, 30, 90, 180] as $minutes) {
            foreach ([[1], [1, 2, 3], [1, 2, 3, 4, 5, 6, 7]] as $days) {
                foreach ([1, 2, 3] as $apart) {
                    yield [['turner', 'spreader', 'summit'], $minutes, $days, $apart,
                        [self::seen('turner', 'low'), self::seen('spreader', 'low', Side::Right),
                            self::seen('spreader', 'low')]];
                }
            }
        }
    }

    public function testDeepWorkOfAComponentKeepsItsDaysApartAndGentleWorkNeedNot(): void
    {
        $works = static fn (array $seen, int $apart): array => array_map(static fn (PlannedSession $session): bool => []
            !== self::work($session), self::plan(['turner'], seen: $seen, days: [1, 2, 3, 4], apart: $apart)
            ->weeks[0]->sessions);
        $deep = [self::seen('turner', 'low'), self::seen('turner', 'low', Side::Right)];
        self::assertSame([true, true, true, true], $works($deep, 1));
        self::assertSame([true, false, true, false], $works($deep, 2));
        self::assertSame([true, false, false, true], $works($deep, 3));
        self::assertSame([true, true, true, true], $works([], 3));
        self::assertSame([true, false, true, false], $works([self::seen('turner', 'low')], 2),
            'Deep on one side is deep.');
    }

    public function testWhatIsNewGrowsByAFifthAWeekAndEveryFourthWeekIsLighter(): void
    {
        $plan = self::plan(['turner'], weeks: 12, days: [1], minutes: 60);
        self::assertSame([false, false, false, true, false, false, false, true, false, false, false, true],
            array_map(static fn (PlannedWeek $week): bool => $week->isLight, $plan->weeks));
        $seconds = array_map(static fn (PlannedWeek $week): int => self::work($week->sessions[0])[0]->seconds,
            $plan->weeks);
        self::assertSame([190, 190, 190, 190, 215, 255, 305, 215, 435, 525, 625, 450], $seconds,
            'From two minutes on, never below its own least; the lighter week has three fifths of it.');
        $deep = self::plan(['turner'], seen: self::deep(), weeks: 12, days: [1], minutes: 60);
        self::assertSame([130, 130], [self::work($deep->weeks[10]->sessions[0])[0]->seconds,
            self::work($deep->weeks[11]->sessions[0])[0]->seconds], 'No calendar makes a deep hold longer.');
        self::assertSame([[5, '2026-04-06', ['shins-stacked']], [9, '2026-05-04', ['shins-stacked']],
            [13, '2026-06-01', ['shins-stacked']]], array_map(static fn (array $retest): array => [$retest['week'],
                $retest['on']->format('Y-m-d'), $retest['tests']], $plan->retests),
            'The surest test that isolates what is wanted.');
    }

    public function testADeepHoldGrowsByAFifthOnceItWasReachedAndNeverPastItsMost(): void
    {
        $seen = static fn (int $weeks, Side $side): array => array_map(static fn (int $week): Seen => new Seen('turner',
            'full', $side, true, new \DateTimeImmutable('2026-03-05 -'.(7 * $week).' days'), isPractice: true),
            range(0, $weeks - 1));
        $low = [self::seen('turner', 'low'), self::seen('turner', 'low', Side::Right)];
        $seconds = static fn (array $seen): array => array_map(static fn (PlannedItem $item): int => $item->seconds,
            self::work(self::first(self::plan(['turner'], seen: [...$low, ...$seen], minutes: 60))));
        self::assertSame([130, 130], $seconds([]));
        self::assertSame([150, 150], $seconds([...$seen(1, Side::Left), ...$seen(1, Side::Right)]),
            'two minutes and a fifth, and ten seconds to come in');
        self::assertSame([490, 490], $seconds([...$seen(9, Side::Left), ...$seen(9, Side::Right)]));
    }

    public function testTheTimeThatNothingFillsHasItsReason(): void
    {
        $unused = static fn (Plan $plan,
            int $session = 0): array => [$plan->weeks[0]->sessions[$session]->unused?->minutes,
                $plan->weeks[0]->sessions[$session]->unused?->because->code];
        $deep = self::deep();
        self::assertSame([15, 'plan.unused-new'], $unused(self::plan(['turner'])));
        $later = static fn (int $minutes): Plan => (new Planner(self::poses(), self::ladders(), Doses::longAndStill(2)))
            ->plan(['turner'], self::request(1, [1], $minutes)->from(new \DateTimeImmutable('2026-07-06')));
        self::assertSame([null, null], $unused($later(30)));
        self::assertSame('plan.unused-most', $unused($later(180))[1]);
        self::assertSame('plan.unused-apart', $unused(self::plan(['turner'], seen: $deep, days: [1, 2], minutes: 60),
            1)[1]);
        self::assertSame('plan.unused-room', $unused(self::plan(['turner', 'spreader'],
            seen: [...$deep, self::seen('spreader', 'low'), self::seen('spreader', 'low', Side::Right)],
            minutes: 14))[1]);
        self::assertSame('plan.unused-light', self::plan(['turner'], weeks: 4)
            ->weeks[3]->sessions[0]->unused?->because->code);
        self::assertSame([30, 'plan.no-warm-up'], $unused((new Planner(self::poses(),
            array_diff_key(self::ladders(), ['warm-a' => 1, 'warm-b' => 1]), Doses::longAndStill(2)))
            ->plan(['turner'], self::request(1, [1], 30))));
        self::assertSame('plan.unused-nothing', $unused((new Planner(self::poses(seen: self::deep()),
            array_diff_key(self::ladders(), ['undo' => 1]), Doses::longAndStill(2)))
            ->plan(['turner'], self::request(1, [1], 30, 'warm-a')))[1]);
    }

    public function testWantedPosesTakeTurnsAsTheTheme(): void
    {
        self::assertSame(['turner', 'spreader', 'turner'],
            array_map(static fn (PlannedSession $session): ?string => $session->theme,
                self::plan(['turner', 'spreader'], days: [1, 3, 5], minutes: 60)->weeks[0]->sessions));
        // With room for one, each has its day.
        $first = array_map(static fn (PlannedSession $session): string => self::work($session)[0]->rung->posture,
            self::plan(['turner', 'spreader'], days: [1, 3], minutes: 15)->weeks[0]->sessions);
        self::assertSame(['turner', 'spreader'], $first);
    }

    public function testTheTighterSideComesFirstAndLastAndHalfAsMuchAgain(): void
    {
        $person = Person::of(self::TESTS, seen: [self::seen('turner', 'low', Side::Right), self::seen('turner', 'low'),
            new Seen('turner', 'full', Side::Left, false, new \DateTimeImmutable('2026-03-05'))]);
        $sessions = array_merge(...array_column((new Planner(self::read($person), self::ladders(),
            Doses::longAndStill(2)))->plan(['turner'], self::request(2, [1, 4], 60))->weeks, 'sessions'));
        foreach (array_slice($sessions, 0, 3) as $new) {
            self::assertSame([Side::Right, Side::Left], array_map(static fn (PlannedItem $item): ?Side => $item->side,
                self::work($new)), 'What is new is learned on the easier side.');
        }
        $items = self::work($sessions[3]);
        self::assertSame([Side::Left, Side::Right, Side::Left],
            array_map(static fn (PlannedItem $item): ?Side => $item->side, $items));
        self::assertSame([130, 130, 130], array_map(static fn (PlannedItem $item): int => $item->seconds, $items),
            'Half would be less than it is held at least.');
    }

    public function testAHeldSideIsLeftOutAndTheOtherGoesOnInGentleShapes(): void
    {
        $hurt = new PainTold('p', new \DateTimeImmutable('2026-03-05'), new \DateTimeImmutable('2026-03-05'),
            new Pain(2, PainPlace::Knee, PainKind::Ache), Side::Left);
        $plan = self::plan(['turner'], entries: [$hurt]);
        $items = self::work(self::first($plan));
        self::assertSame([[Side::Right, 'low']], array_map(static fn (PlannedItem $item): array => [$item->side,
            $item->rung->rung->id], $items));
        self::assertSame([Side::Right],
            array_values(array_unique(array_map(static fn (PlannedItem $item): ?Side => $item->side, self::first($plan)
            ->items), SORT_REGULAR)), 'Everything on the free side alone.');
        self::assertNotContains(Phase::Counter, array_map(static fn (PlannedItem $item): Phase => $item->phase,
            self::first($plan)->items), 'What is gentle owes no counterpose.');
        self::assertSame('plan.held-side', $plan->leftOut['turner']->code);
        self::assertSame('left', $plan->leftOut['turner']->numbers['side']);
        foreach (self::first($plan)->items as $item) {
            self::assertTrue($item->rung->rung->isForAnybody());
        }
    }

    public function testWhatHoldsAllLeavesNothing(): void
    {
        $plan = self::plan(['turner'], conditions: [Condition::everything('c', 'C')]);
        self::assertSame([], self::first($plan)->items);
        self::assertSame('plan.held', $plan->leftOut['turner']->code);
    }

    public function testWithoutAWarmUpNobodyWorks(): void
    {
        $plan = (new Planner(self::poses(), array_diff_key(self::ladders(), ['warm-a' => 1, 'warm-b' => 1]),
            Doses::longAndStill(2)))->plan(['turner'], self::request(1, [1], 60));
        self::assertSame([], self::first($plan)->items);
        self::assertSame('plan.no-warm-up', $plan->leftOut['turner']->code);
    }

    public function testWithoutACounterposeItIsLeftOut(): void
    {
        $poses = self::poses(seen: self::deep());
        $plan = (new Planner($poses, array_diff_key(self::ladders(), ['undo' => 1]), Doses::longAndStill(2)))
            ->plan(['turner'], self::request(1, [1], 60, 'warm-a'));
        self::assertSame('plan.no-counter', $plan->leftOut['turner']->code);
        self::assertSame([], self::work(self::first($plan)));
        $strap = self::ladders(undoProps: ['strap' => 1]);
        self::assertSame('plan.no-counter', (new Planner($poses, $strap, Doses::longAndStill(2)))
            ->plan(['turner'], self::request(1, [1], 60, 'warm-a'))->leftOut['turner']->code,
            'Nor one without its prop.');
    }

    public function testWhoeverHasSomethingHeldLiesStillWhereNothingUndoesIt(): void
    {
        $plan = (new Planner(self::poses(seen: self::deep(), conditions: [new Condition('c', 'C', ['neck'])]),
            array_diff_key(self::ladders(), ['undo' => 1]), Doses::longAndStill(2)))
            ->plan(['turner'], self::request(1, [1], 60));
        self::assertSame([], $plan->leftOut);
        self::assertSame(['warm-a'], array_values(array_unique(array_map(
            static fn (PlannedItem $item): string => $item->rung->posture,
            array_filter(self::first($plan)->items, static fn (PlannedItem $item): bool => Phase::Counter
                === $item->phase),
        ))));
    }

    public function testWhatFindsNoRoomInAnySessionSaysSo(): void
    {
        $plan = self::plan(['turner', 'spreader'], minutes: 12, days: [1]);
        self::assertNotSame([], $plan->leftOut);
        foreach ($plan->leftOut as $reason) {
            self::assertSame(['plan.no-time', 12], [$reason->code, $reason->numbers['minutes']]);
        }
        self::assertSame([], self::plan(['turner', 'spreader'], minutes: 90)->leftOut);
    }

    public function testAnotherSchoolOnSomeDaysDosesAnotherWay(): void
    {
        $plan = (new Planner(self::poses(), self::ladders(), Doses::longAndStill(2), [2 => Doses::countedBreath(1)]))
            ->plan(['turner'], self::request(1, [1, 2], 60));
        self::assertSame([190, 130],
            array_map(static fn (PlannedSession $session): int => self::work($session)[0]->seconds,
                $plan->weeks[0]->sessions));
    }

    public function testTheKeystoneComesFirstAndGetsTheMost(): void
    {
        $list = Candidates::of(['spreader', 'summit'], self::poses(['shins-stacked' => [['kneeHeight' => 42.0,
            'ankleHeight' => 10.0]]] + self::TESTS), self::ladders(), self::request(1, [1], 60))->list;
        usort($list, static fn ($a, $b): int => $b->weight(null) <=> $a->weight(null));
        self::assertSame(['plan.keystone', 'spreader'], [$list[0]->because->code, $list[count($list) - 1]->posture]);
        self::assertSame([1.5, 1.0, 1.2], [$list[0]->worth(null), $list[count($list) - 1]->worth(null),
            $list[count($list) - 1]->worth('spreader')]);
        // In months, when nothing is new any more.
        $work = self::work(self::first((new Planner(self::poses(['shins-stacked' => [['kneeHeight' => 42.0,
            'ankleHeight' => 10.0]]] + self::TESTS), self::ladders(), Doses::longAndStill(2)))
            ->plan(['spreader', 'summit'], self::request(1, [1], 45)->from(new \DateTimeImmutable('2026-07-06')))));
        $seconds = static fn (bool $isKey): array => array_values(
            array_map(
                static fn (PlannedItem $item): int => $item->seconds,
                array_filter(
                    $work,
                    static fn (PlannedItem $item): bool => ('plan.keystone' === $item->because->code) === $isKey,
                ),
            ),
        );
        self::assertNotSame([], $seconds(true));
        self::assertNotSame([], $seconds(false));
        self::assertEqualsWithDelta((1.5 / 1.2) ** 2, $seconds(true)[0] / $seconds(false)[0], 0.05,
            'Minutes count by their square root, and the other is the theme of the day.');
    }

    public function testTheDaysOfPractice(): void
    {
        $dates = array_map(
            static fn (array $week): array => array_map(
                static fn (\DateTimeImmutable $day): string => $day->format('Y-m-d'),
                $week,
            ),
            self::request(2, [1, 7], 60)->dates(),
        );
        self::assertSame([['2026-03-09', '2026-03-15'], ['2026-03-16', '2026-03-22']], $dates);
        foreach ([[0, [1], 60], [53, [1], 60], [1, [], 60], [1, [1], 9], [1, [1], 181]] as [$weeks, $days, $minutes]) {
            try {
                self::request($weeks, $days, $minutes);
                self::fail('Taken.');
            } catch (InvalidValue) {
                $this->addToAssertionCount(1);
            }
        }
        self::request(52, [1], 10);
        self::request(1, [1], 180);
        new Equipment(20, 20, false);
        foreach ([[21, 0], [0, 21], [-1, 0], [0, -1]] as [$blocks, $blankets]) {
            try {
                new Equipment($blocks, $blankets, false);
                self::fail('Taken.');
            } catch (InvalidValue) {
                $this->addToAssertionCount(1);
            }
        }
    }

    /**
     * @param list<string> $wanted
     * @param list<Seen> $seen
     * @param list<int> $days
     * @param list<Entry> $entries
     * @param list<Condition> $conditions
     */
    private static function plan(
        array $wanted,
        array $seen = [],
        int $weeks = 1,
        array $days = [1, 3],
        int $minutes = 30,
        int $apart = 2,
        array $entries = [],
        array $conditions = [],
    ): Plan {
        return (new Planner(self::poses(seen: $seen, entries: $entries, conditions: $conditions), self::ladders(),
            Doses::longAndStill($apart)))->plan($wanted, self::request($weeks, $days, $minutes));
    }

    /** @param list<int> $days */
    private static function request(int $weeks, array $days, int $minutes, string ...$forbidden): PlanRequest
    {
        return new PlanRequest(new \DateTimeImmutable(self::MONDAY), $weeks, $days, $minutes,
            new Equipment(0, 0, false), forbidden: array_values($forbidden));
    }

    /**
     * @param array<string, non-empty-list<array<string, float>>> $tests
     * @param list<Seen> $seen
     * @param list<Entry> $entries
     * @param list<Condition> $conditions
     */
    private static function poses(
        array $tests = self::TESTS,
        array $seen = [],
        array $entries = [],
        array $conditions = [],
    ): ReadPoses {
        return self::read(Person::of($tests, $conditions, seen: $seen, entries: $entries));
    }

    private static function read(\LucidAscent\Core\Readiness\Snapshot $person): ReadPoses
    {
        return new ReadPoses(self::postures(), $person, self::tests());
    }

    /** @return array<string, PostureDefinition> */
    private static function postures(): array
    {
        $gentle = static fn (string $id): PostureDefinition => new PostureDefinition($id, ucfirst($id), [],
            [new RungDefinition('lying', 'Lying', null, [], new Work(['lying-rest'], true))], []);
        $ladder = static fn (string $id, Ability $ability, array $needs =
            []): PostureDefinition => new PostureDefinition($id, ucfirst($id), [$ability], [
                new RungDefinition('low', 'Low', null, [$ability->value => 20.0], new Work(['lying-rest'], true)),
                new RungDefinition('full', 'Full', null, [$ability->value => 50.0], new Work(['turn-out'], false)),
            ], $needs);

        return [
            'warm-b' => $gentle('warm-b'),
            'warm-a' => $gentle('warm-a'),
            'undo' => $gentle('undo'),
            'turner' => $ladder('turner', Ability::ExternalRotation),
            'spreader' => $ladder('spreader', Ability::Abduction),
            'summit' => $ladder('summit', Ability::ExternalRotation, ['turner', 'spreader']),
        ];
    }

    /**
     * @param array<string, int> $undoProps
     *
     * @return array<string, list<PracticeRung>>
     */
    private static function ladders(array $undoProps = [], bool $undoIsSymmetric = false): array
    {
        $ladders = [];
        foreach (self::postures() as $id => $posture) {
            foreach ($posture->rungs as $i => $rung) {
                $ladders[$id][] = new PracticeRung($id, $posture->name, $rung, Stance::cases()[min($i, 2)],
                    in_array($id, ['turner', 'spreader', 'summit'], true) ? ['no-such', 'undo'] : [], 'undo' === $id
                    ? $undoProps : [], 'warm-a' === $id || ('undo' === $id && $undoIsSymmetric),
                    ['warm-a' => 1, 'warm-b' => 2][$id] ?? null, 'warm-a' === $id ? 1 : null);
            }
        }

        return $ladders;
    }

    /** @return array<string, \LucidAscent\Core\Testing\TestDefinition> */
    private static function tests(): array
    {
        return ['figure-four-lying' => Definition::figureFour(), 'shins-stacked' => Definition::shinsStacked(),
            'frog' => Definition::frog()];
    }

    private static function first(Plan $plan): PlannedSession
    {
        return $plan->weeks[0]->sessions[0];
    }

    /** @return list<PlannedItem> */
    private static function work(PlannedSession $session): array
    {
        return array_values(array_filter($session->items, static fn (PlannedItem $item): bool => Phase::Work
            === $item->phase));
    }

    private static function seconds(PlannedSession $session, Phase $phase): int
    {
        return array_sum(array_map(static fn (PlannedItem $item): int => $phase === $item->phase ? $item->seconds : 0,
            $session->items));
    }

    /** @return list<Seen> of somebody who works on the deep rung */
    private static function deep(): array
    {
        return [self::seen('turner', 'low'), self::seen('turner', 'low', Side::Right)];
    }

    private static function seen(string $posture, string $rung, Side $side = Side::Left): Seen
    {
        return new Seen($posture, $rung, $side, true, new \DateTimeImmutable('2026-03-05'));
    }
}
