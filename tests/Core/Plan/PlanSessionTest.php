<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\Dose;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\HoldRange;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\Planner;
use LucidAscent\Core\Plan\PlanRequest;
use LucidAscent\Core\Plan\PracticeDrill;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Rule\NotTooLong;
use LucidAscent\Core\Plan\SessionRules;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Tests\Core\Readiness\Person;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\TestCase;

/**
 * A turner that folds the knee, with a form beside its rung that does not; a lying shape that is there for it; a
 * warm-up, what undoes, and drills in several positions.
 */
final class PlanSessionTest extends TestCase
{
    public function testARungAndItsFormTakeTurns(): void
    {
        $rungs = static fn (Plan $plan): array => array_map(
            static fn (PlannedSession $session): string => self::of($session, 'turner')[0]->rung->rung->id,
            array_merge(...[$plan->sessions()]),
        );
        self::assertSame(['low', 'aside', 'low', 'aside'], $rungs(self::plan([], 'back-of-hip')));
        foreach (['rest', 'knee', 'show'] as $purpose) {
            self::assertSame(['low', 'low', 'low', 'low'], $rungs(self::plan([], $purpose)), $purpose);
        }
        self::assertSame(['low', 'low', 'low', 'low'], $rungs(self::plan([self::held(['aside'], null)], 'back-of-hip')),
            'What is held takes no turn.');
        self::assertSame(['low', 'low', 'low', 'low'], $rungs(self::plan([], 'back-of-hip',
            formProps: ['strap' => 1])));
    }

    public function testASideThatMayNotDoItDoesTheSaferFormOfTheSamePosture(): void
    {
        $plan = self::plan([self::held(['knee-folded'], Side::Left)], 'knee', instead: ['turner/aside']);
        $items = self::of($plan->weeks[0]->sessions[0], 'turner');
        self::assertSame([['right', 'low'], ['left', 'aside']],
            array_map(static fn (PlannedItem $item): array => [$item->side?->value, $item->rung->rung->id], $items));
        self::assertSame('plan.safer-side', $plan->leftOut['turner']->code);
    }

    public function testOrAnotherPostureInTheSameSession(): void
    {
        $held = [self::held(['knee-folded'], Side::Left)];
        $plan = self::plan($held, 'knee', instead: ['no-such/rung', 'lying/lying']);
        $session = $plan->weeks[0]->sessions[0];
        self::assertSame(['right'], array_map(static fn (PlannedItem $item): ?string => $item->side?->value,
            self::of($session, 'turner')), 'The other side goes on.');
        self::assertSame([['left', 'plan.instead'], ['right', 'plan.instead']],
            array_map(static fn (PlannedItem $item): array => [$item->side?->value, $item->because->code],
                self::of($session, 'lying')));
        self::assertSame('plan.held-side', $plan->leftOut['turner']->code);
        self::assertSame([], self::of(self::plan([self::held(['knee-folded', 'lying-rest'], Side::Left)], 'knee',
            instead: ['lying/lying'])->weeks[0]->sessions[0], 'lying'), 'As far as the condition allows it.');
        self::assertSame([], self::of(self::plan($held, 'knee', instead: ['lying/lying'], forbidden: ['lying'])
            ->weeks[0]->sessions[0], 'lying'));
        self::assertSame([], self::of(self::plan([], 'knee', instead: ['lying/lying'])->weeks[0]->sessions[0], 'lying'),
            'Where nothing is held nothing takes its place.');
    }

    public function testDrillsAreDoneWhereTheirPositionMayBePractised(): void
    {
        $drills = static fn (Plan $plan,
            int $session = 0): array => array_map(
                static fn (PlannedItem $item): string => $item->drill?->id.' '.($item->side->value ?? 'both'),
                array_values(
                    array_filter(
                        $plan->weeks[0]->sessions[$session]->items,
                        static fn (PlannedItem $item): bool => null !== $item->drill,
                    ),
                ),
            );
        self::assertSame(['circle left', 'circle right'], $drills(self::plan([], 'knee', minutes: 30)));
        self::assertSame(['tip both'], $drills(self::plan([], 'knee', minutes: 30), 1),
            'Another one first each time; what is done on both sides at once is done once.');
        self::assertSame(['tip both', 'circle left', 'circle right'], $drills(self::plan([], 'knee', minutes: 60)));
        $held = [self::held(['knee-folded'], Side::Left)];
        self::assertSame(['tip both', 'circle right'], $drills(self::plan($held, 'knee', minutes: 60,
            pinned: ['tip', 'circle'])));
        self::assertSame(['circle right'], $drills(self::plan([self::held(['knee-folded', 'lying-rest'], Side::Left)],
            'knee', minutes: 60, pinned: ['tip', 'circle'])), 'Both sides at once needs both.');
        self::assertSame([], $drills(self::plan([self::held(['knee-folded', 'lying-rest'], null)], 'knee', minutes: 60,
            pinned: ['tip', 'circle'])));
        self::assertNotContains('circle left', $drills(self::plan([], 'knee', minutes: 60, forbidden: ['circle'])));
        self::assertContains('deep left', $drills(self::plan([], 'knee', minutes: 60, pinned: ['deep'], seen: true)),
            'The teacher wants it, and the rung was seen.');
        self::assertNotContains('deep left', $drills(self::plan([], 'knee', minutes: 60, pinned: ['deep'])),
            'No wish goes past a lower rung.');
        self::assertNotContains('strapped left', $drills(self::plan([], 'knee', minutes: 180, pinned: ['strapped'])),
            'Nor is it done without its prop.');
    }

    /** What a teacher has set keeps its own order, whatever stance it is in, and goes past no rule but that one. */
    public function testASetSequenceKeepsItsOrder(): void
    {
        $work = static fn (PlannedSession $session): array => array_values(
            array_unique(
                array_map(
                    static fn (PlannedItem $item): string => $item->key(),
                    array_filter($session->items, static fn (PlannedItem $item): bool => Phase::Work === $item->phase),
                ),
            ),
        );
        $plan = static fn (array $sequence, array $told = []): PlannedSession => (new Planner(self::poses($told, 'knee',
            false), self::ladders('knee', [], []), Doses::longAndStill(1)))
            ->plan(['turner', 'lying'], new PlanRequest(new \DateTimeImmutable('2026-03-09'), 1, [1], 60,
                new Equipment(0, 0, false), sequence: $sequence))->weeks[0]->sessions[0];
        self::assertSame(['lying', 'turner'], $work($plan([])), 'Lying before seated.');
        self::assertSame(['turner', 'lying'], $work($plan(['turner', 'lying'])));
        self::assertSame([], SessionRules::broken($plan(['turner', 'lying']), 60, self::poses([], 'knee', false)));
        self::assertSame(['lying'], $work($plan(['turner', 'lying'], [self::held(['knee-folded'], null)])),
            'What is held is not practised because it was set.');
    }

    public function testAHoldIsNoLongerThanItsRangeAllows(): void
    {
        $poses = self::poses([], 'knee', true);
        $ladders = self::ladders('knee', [], []);
        $broken = static fn (PracticeRung $rung, int $seconds, ReadPoses $of,
            ?PracticeDrill $drill = null): array => array_map(static fn ($reason): array => [$reason->code,
                $reason->numbers['most']], (new NotTooLong())
            ->broken(new PlannedSession(new \DateTimeImmutable('2026-03-09'),
                [new PlannedItem($rung, Phase::Work, Side::Left, $seconds, new Reason('plan.by-hand', Source::Own),
                    $drill)], dose: Doses::longAndStill(1)), 60, $of));
        self::assertSame([], $broken($ladders['turner'][0], 910, $poses));
        self::assertSame([['rule.too-long', 910]], $broken($ladders['turner'][0], 915, $poses));
        self::assertSame([], $broken($ladders['turner'][1], 130, $poses));
        self::assertSame([['rule.too-long', 130]], $broken($ladders['turner'][1], 135, $poses),
            'A deep hold grows by what was reached.');
        $reached = self::read(Person::of(['shins-stacked' => [['kneeHeight' => 30.0, 'ankleHeight' => 10.0]]], [],
            seen: [new Seen('turner', 'full', Side::Left, true, new \DateTimeImmutable('2026-03-05'),
                isPractice: true)]));
        self::assertSame([], $broken($ladders['turner'][1], 150, $reached));
        self::assertSame([['rule.too-long', 150]], $broken($ladders['turner'][1], 155, $reached));
        $short = self::read(Person::of(['shins-stacked' => [['kneeHeight' => 30.0, 'ankleHeight' => 10.0]]], [],
            entries: [new ConditionTold('g', new \DateTimeImmutable('2026-03-01'), new \DateTimeImmutable('2026-03-01'),
                new Condition('g', 'G', [], gentleOnly: true))]));
        self::assertSame([['rule.too-long', 190]], $broken($ladders['turner'][0], 200, $short));
        $drill = new PracticeDrill('d', 'D', $ladders['turner'][0], new HoldRange(30.0, 60.0), 10.0, true, []);
        self::assertSame([], $broken($ladders['turner'][0], 70, $poses, $drill));
        self::assertSame([['rule.too-long', 70]], $broken($ladders['turner'][0], 75, $poses, $drill));
        $deep = new PracticeDrill('d', 'D', $ladders['turner'][1], new HoldRange(30.0, 60.0), 10.0, true, []);
        self::assertSame([['rule.too-long', 40]], $broken($ladders['turner'][1], 45, $poses, $deep));
    }

    public function testADeepDrillIsUndoneAndAGentleOneNeedNotBe(): void
    {
        $items = self::plan([], 'knee', minutes: 60, pinned: ['deep'], seen: true)->weeks[0]->sessions[0]->items;
        foreach ($items as $i => $item) {
            if ('deep' === $item->drill?->id && 'deep' !== $items[$i + 1]->drill?->id) {
                self::assertSame(Phase::Counter, $items[$i + 1]->phase);
            }
        }
        $strict = new PlannedSession(new \DateTimeImmutable('2026-03-09'),
            array_values(array_filter($items, static fn (PlannedItem $item): bool => Phase::Counter !== $item->phase)));
        $broken = array_map(static fn ($reason): string => $reason->code.' '.$reason->numbers['posture'],
            array_values(array_filter(SessionRules::broken($strict, 60, self::poses([], 'knee', true)),
                static fn ($reason): bool => 'rule.counter' === $reason->code)));
        self::assertContains('rule.counter deep', $broken);
        self::assertNotContains('rule.counter circle', $broken);
    }

    public function testTheSpineWarmsUpFirstThenWhatLimits(): void
    {
        $order = array_values(array_unique(array_map(static fn (PlannedItem $item): string => $item->rung->posture,
            array_filter(self::plan([], 'knee', minutes: 60)->weeks[0]->sessions[0]->items,
                static fn (PlannedItem $item): bool => Phase::WarmUp === $item->phase))));
        self::assertSame(['back', 'undo', 'lying'], $order, 'The spine begins.');
        self::assertContains('plan.warm-up-for',
            array_map(static fn (PlannedItem $item): string => $item->because->code,
                self::plan([], 'knee', minutes: 60)->weeks[0]->sessions[0]->items),
            'The limiter is a turn outward, and the lying shape is for that.');
    }

    public function testWithFewerSessionsThanWantedPosesThemesGoFromWeekToWeek(): void
    {
        $themes = array_map(static fn (PlannedSession $session): ?string => $session->theme,
            array_merge(...array_column((new Planner(self::poses([], 'knee', false), self::ladders('knee', [], []),
                Doses::longAndStill(1)))->plan(['turner', 'lying'],
                    new PlanRequest(new \DateTimeImmutable('2026-03-09'), 4, [1], 60, new Equipment(0, 0, false)))
                        ->weeks,
                'sessions')));
        self::assertSame(['turner', 'lying', 'turner', 'lying'], $themes);
    }

    public function testLyingLotusComesLastWhereTheSchoolHasItSo(): void
    {
        $order = static fn (Dose $dose): array => array_values(
            array_unique(
                array_map(
                    static fn (PlannedItem $item): string => $item->rung->posture,
                    array_filter(
                        (new Planner(self::poses([], 'knee', false),
                            self::ladders('knee', [], [], isLotus: true), $dose))
                            ->plan(['turner', 'lying'], new PlanRequest(
                                new \DateTimeImmutable('2026-03-09'),
                                1,
                                [1],
                                60,
                                new Equipment(0, 0, false),
                            ))->weeks[0]->sessions[0]->items,
                        static fn (PlannedItem $item): bool => Phase::Work === $item->phase,
                    ),
                ),
            ),
        );
        self::assertSame(['lying', 'turner'], $order(Doses::countedBreath(1)));
        self::assertSame(['turner', 'lying'], $order(Doses::countedBreath(1, true)));
        $session = (new Planner(self::poses([], 'knee', false), self::ladders('knee', [], [], isLotus: true),
            Doses::countedBreath(1, true)))->plan(['turner', 'lying'],
                new PlanRequest(new \DateTimeImmutable('2026-03-09'), 1, [1], 60, new Equipment(0, 0, false)))
            ->weeks[0]->sessions[0];
        self::assertSame([], SessionRules::broken($session, 60, self::poses([], 'knee', false)));
    }

    /** @return list<PlannedItem> the work on a posture */
    private static function of(PlannedSession $session, string $posture): array
    {
        return array_values(array_filter($session->items, static fn (PlannedItem $item): bool => $posture
            === $item->rung->posture && Phase::Work === $item->phase && null === $item->drill));
    }

    /** @param list<string> $loads */
    private static function held(array $loads, ?Side $side): ConditionTold
    {
        return new ConditionTold('c', new \DateTimeImmutable('2026-03-01'), new \DateTimeImmutable('2026-03-01'),
            new Condition('c', 'C', $loads), $side);
    }

    /**
     * @param list<ConditionTold> $told
     * @param array<string, int> $formProps
     * @param list<string> $instead
     * @param list<string> $pinned
     * @param list<string> $forbidden
     */
    private static function plan(
        array $told,
        string $purpose,
        array $formProps = [],
        array $instead = [],
        int $minutes = 60,
        array $pinned = [],
        array $forbidden = [],
        bool $seen = false,
    ): Plan {
        $ladders = self::ladders($purpose, $formProps, $instead);
        $drill = static fn (string $id, PracticeRung $uses,
            bool $eachSide = true): PracticeDrill => new PracticeDrill($id, ucfirst($id), $uses,
                new HoldRange(30.0, 60.0), 10.0, $eachSide, ['rotation']);
        $drills = ['circle' => $drill('circle', $ladders['turner'][0]),
            'tip' => $drill('tip', $ladders['lying'][0], false), 'deep' => $drill('deep', $ladders['turner'][1]),
            'strapped' => $drill('strapped', new PracticeRung('lying', 'Lying', $ladders['lying'][0]->rung,
                Stance::Lying, [], ['strap' => 1], false))];

        return (new Planner(self::poses($told, $purpose, $seen), $ladders, Doses::longAndStill(1), [], $drills))
            ->plan(['turner'], new PlanRequest(new \DateTimeImmutable('2026-03-09'), 2, [1, 4], $minutes,
                new Equipment(0, 0, false), $pinned, $forbidden));
    }

    /** @param list<ConditionTold> $told */
    private static function poses(array $told, string $purpose, bool $seen): ReadPoses
    {
        $clean = $seen ? array_map(static fn (Side $side): Seen => new Seen('turner', 'full', $side, true,
            new \DateTimeImmutable('2026-03-05')), Side::cases()) : [];

        return self::read(Person::of(['shins-stacked' => [['kneeHeight' => 30.0, 'ankleHeight' => 10.0]]], [],
            seen: $clean, entries: $told));
    }

    private static function read(Snapshot $person): ReadPoses
    {
        return new ReadPoses(self::postures(), $person, ['shins-stacked' => Definition::shinsStacked()]);
    }

    /** @return array<string, PostureDefinition> */
    private static function postures(): array
    {
        $rung = static fn (string $id, array $loads, bool $isGentle = true,
            array $least = []): RungDefinition => new RungDefinition($id, ucfirst($id), null, $least,
                new Work($loads, $isGentle));

        return [
            'back' => new PostureDefinition('back', 'Back', [], [$rung('flat', ['back'])], []),
            'undo' => new PostureDefinition('undo', 'Undo', [], [$rung('undo', ['undo'])], []),
            'lying' => new PostureDefinition('lying', 'Lying', [Ability::Abduction], [$rung('lying', ['lying-rest'])],
                []),
            'turner' => new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
                [$rung('low', ['knee-folded']), $rung('full', ['knee-folded', 'turn-out'], false,
                    ['rotation' => 90.0])], [], [], ['low' => [$rung('aside', ['aside'])]]),
        ];
    }

    /**
     * @param array<string, int> $formProps
     * @param list<string> $instead
     *
     * @return array<string, list<PracticeRung>>
     */
    private static function ladders(string $purpose, array $formProps, array $instead, bool $isLotus = false): array
    {
        $postures = self::postures();
        $one = static fn (string $posture, RungDefinition $rung, Stance $stance,
            array $more = []): PracticeRung => new PracticeRung(...$more + ['posture' => $posture,
                'name' => ucfirst($posture), 'rung' => $rung, 'stance' => $stance, 'counters' => ['undo'],
                'props' => [],
                'isSymmetric' => false]);
        $form = $one('turner', $postures['turner']->forms['low'][0], Stance::Seated,
            ['props' => $formProps, 'purpose' => $purpose]);

        return [
            'back' => [$one('back', $postures['back']->rungs[0], Stance::Lying,
                ['warmUp' => 2, 'remedies' => ['spine'], 'isSymmetric' => true])],
            'undo' => [$one('undo', $postures['undo']->rungs[0], Stance::Lying,
                ['warmUp' => 1, 'rest' => 1, 'isSymmetric' => true])],
            'lying' => [$one('lying', $postures['lying']->rungs[0], Stance::Lying,
                ['warmUp' => 3, 'remedies' => ['rotation'], 'isLotus' => $isLotus,
                    'level' => \LucidAscent\Core\Plan\PracticeLevel::Years])],
            'turner' => [$one('turner', $postures['turner']->rungs[0], Stance::Seated,
                ['forms' => [$form], 'instead' => $instead]), $one('turner', $postures['turner']->rungs[1],
                    Stance::Seated)],
        ];
    }
}
