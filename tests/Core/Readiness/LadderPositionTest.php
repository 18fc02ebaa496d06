<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\EasyCrossLeg;
use LucidAscent\Core\LegChain\Contact\FullLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotusEasy;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Shortfall;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Posture\GateDefinition;
use LucidAscent\Core\Posture\GateKind;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\LadderPosition;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\PoseReading;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\ReadSeen;
use LucidAscent\Core\Readiness\RungReading;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Tests\Core\SampleBody;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\TestCase;

/**
 * A ladder of four rungs that asks for turn alone: 20 (gentle), 50, 65 and 120 degrees. Shins stacked shows about 84.
 */
final class LadderPositionTest extends TestCase
{
    private const TURNS = ['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]]];

    public function testOneStandsOnTheLowestThatIsNotPassed(): void
    {
        $stand = self::stand(Person::of(self::TURNS));
        self::assertSame(['ground', [], [], false], [$stand->rung?->rung->id, $stand->passed, $stand->bars,
            $stand->isTried]);
        $stand = self::stand(Person::of(self::TURNS, seen: [self::seen('ground')]));
        self::assertSame(['low', ['ground'], [], false], [$stand->rung?->rung->id, $stand->passed, $stand->bars,
            $stand->isTried]);
    }

    public function testWhatWasSeenCleanPassesAllBelowIt(): void
    {
        $stand = self::stand(Person::of(self::TURNS, seen: [self::seen('high')]));
        self::assertSame(['ground', 'low', 'high'], $stand->passed);
        self::assertSame('high', $stand->rung?->rung->id,
            'The next asks for more than there is: the highest passed one below.');
        self::assertSame(['bar.short'], self::codes($stand->bars));
        self::assertGreaterThan(30.0, $stand->bars[0]->numbers['more']);
        self::assertSame('full', $stand->next?->rung->id, 'It is of the next rung that so much is missing.');
        $all = self::stand(Person::of(self::TURNS, seen: [self::seen('full')]));
        self::assertSame(['full', ['ground', 'low', 'high', 'full'], []],
            [$all->rung?->rung->id, $all->passed, $all->bars], 'At the top nothing bars the way.');
        self::assertNull($all->next);
    }

    public function testATryThatWasNotCleanPassesNothing(): void
    {
        $stand = self::stand(Person::of(self::TURNS, seen: [self::seen('low', isClean: false)]));
        self::assertSame(['ground', []], [$stand->rung?->rung->id, $stand->passed]);
    }

    public function testMeasuringPassesOnlyWhatSaysSo(): void
    {
        $through = self::ladder(isMeasuredThrough: true);
        self::assertSame(['ground', 'low', 'high'], self::stand(Person::of(self::TURNS), $through)->passed);
        self::assertSame([], self::stand(Person::of([]), $through)->passed, 'Not what nobody has measured.');
        self::assertSame([], self::stand(Person::of(self::TURNS),
            self::ladder([new GateDefinition(GateKind::Observed, 'elbow-to-sole')], true))->passed,
            'Never past a gate.');
    }

    public function testNothingKnownIsTriedWhereNoReadingWouldSettleIt(): void
    {
        $stand = self::stand(Person::of([]));
        self::assertSame(['ground', true], [$stand->rung?->rung->id, $stand->isTried],
            'A gentle one is tried to find out.');
        $stand = self::stand(Person::of([], seen: [self::seen('ground')]));
        self::assertSame('ground', $stand->rung?->rung->id);
        self::assertSame(['bar.unread'], self::codes($stand->bars),
            'A test would settle the next, so that comes first.');
        $stand = self::stand(Person::of([], seen: [self::seen('ground')]), tests: []);
        self::assertSame(['low', true], [$stand->rung?->rung->id, $stand->isTried],
            'Nothing can be measured: under the teacher’s eye.');
        self::assertFalse(self::stand(Person::of([], seen: [self::seen('ground')]))->isTried,
            'What was passed is not tried.');
        self::assertFalse(self::stand(Person::of([], [Condition::everything('c', 'C')]))->isTried, 'Nor is nothing.');
    }

    public function testAShortageBarsAndATryAboveItDoesNotOpenIt(): void
    {
        $stand = self::stand(Person::of(self::TURNS), self::ladder(ground: 100.0));
        self::assertNull($stand->rung, 'Even the ground asks for more than there is.');
        self::assertSame('ground', $stand->next?->rung->id);
        self::assertSame(['bar.short'], self::codes($stand->bars));
        self::assertSame(['bar.below'], self::codes($stand->closing('low')),
            'Open by itself, and what is below is not passed.');
        self::assertSame(['bar.short', 'bar.below', 'bar.below', 'bar.below'], self::codes($stand->closing('full')));
        self::assertTrue(self::stand(Person::of(self::TURNS))->isOpenAfterThis('low'));
        self::assertFalse(self::stand(Person::of(self::TURNS))->isOpenAfterThis('full'));
        self::assertFalse(self::stand(Person::of(self::TURNS))->isOpenAfterThis('no-such-rung'));
        self::assertSame([], self::stand(Person::of(self::TURNS))->closing('ground'));
        self::assertSame(['bar.below', 'bar.below'], self::codes(self::stand(Person::of(self::TURNS))
            ->closing('high')));
    }

    public function testAGateBarsUntilItIsMetOrTheRungIsSeenClean(): void
    {
        $ladder = self::ladder([new GateDefinition(GateKind::Observed, 'elbow-to-sole')]);
        $seen = [self::seen('ground'), self::seen('low')];
        $shut = self::stand(Person::of(self::TURNS, seen: $seen), $ladder);
        self::assertSame('low', $shut->rung?->rung->id);
        self::assertSame(['gate.not-asked'], self::codes($shut->bars));
        $met = self::stand(Person::of(self::TURNS, seen: $seen,
            observed: [new \LucidAscent\Core\Readiness\Observed('elbow-to-sole', Side::Left, true,
                new \DateTimeImmutable('2026-03-05'))]), $ladder);
        self::assertSame('high', $met->rung?->rung->id);
        self::assertSame(['ground', 'low', 'high'], self::stand(Person::of(self::TURNS,
            seen: [...$seen, self::seen('high')]), $ladder)->passed);
        $pose = self::pose(Person::of(self::TURNS, seen: $seen),
            self::ladder(gateOfFull: [new GateDefinition(GateKind::Observed, 'elbow-to-sole')]));
        self::assertSame(State::Short, $pose->state(), 'The numbers are worse than an open question.');
    }

    public function testAHoldBarsAndOneFallsBackBelowIt(): void
    {
        $seen = [self::seen('high')];
        $stand = self::stand(Person::of(self::TURNS, [new Condition('c', 'A condition', ['weight-on-knee'])],
            seen: $seen));
        self::assertSame('low', $stand->rung?->rung->id, 'The high one loads the knee.');
        self::assertSame(['held.condition'], self::codes($stand->bars));
        self::assertSame('A condition', $stand->bars[0]->numbers['name']);
        self::assertNull(self::stand(Person::of(self::TURNS, [Condition::everything('c', 'C')], seen: $seen))->rung);
    }

    public function testBesideASideThatRestsOnlyTheGentleIsOpen(): void
    {
        $hurt = new PainTold('p', self::day('2026-03-06'), self::day('2026-03-06'),
            new Pain(2, PainPlace::Knee, PainKind::Ache), Side::Right);
        $pose = self::pose(Person::of(self::TURNS, seen: [self::seen('high')], entries: [$hurt]));
        self::assertSame(['ground', 'low', 'high'], $pose->onLadder()->passed, 'What was passed stays passed.');
        self::assertSame('ground', $pose->onLadder()->rung?->rung->id);
        self::assertSame(['bar.other-side-rests'], self::codes($pose->onLadder()->closing('high')));
        self::assertFalse($pose->onLadder()->isOpenAfterThis('low'));
        self::assertSame([State::Short, 'bar.other-side-rests'], [$pose->state(), $pose->reasons()[0]->code],
            'It is no hold of this side.');
        $mild = new PainTold('p', self::day('2026-03-06'), self::day('2026-03-06'),
            new Pain(2, PainPlace::OuterHip, PainKind::Ache), Side::Right);
        self::assertSame('high', self::stand(Person::of(self::TURNS, seen: [self::seen('high')], entries: [$mild]))
            ->rung?->rung->id);
    }

    public function testAfterAWordTestsComeFirstAndTheLadderGoesOnLower(): void
    {
        $hurt = new PainTold('p', self::day('2026-03-03'), self::day('2026-03-03'),
            new Pain(4, PainPlace::Knee, PainKind::Ache), Side::Left, posture: 'turner', rung: 'high');
        $word = new ClearanceGiven('w', self::day('2026-03-05'), self::day('2026-03-05'), ['p'],
            ClearanceAuthority::Clinician, true);
        $stand = self::stand(Person::of(self::TURNS, seen: [self::seen('full', '2026-03-02')],
            entries: [$hurt, $word]));
        self::assertSame([], $stand->passed, 'What was shown before it counts no more.');
        self::assertSame('ground', $stand->rung?->rung->id, 'Lying rest was never held.');
        self::assertSame(['bar.test-first', 'bar.below'], self::codes($stand->closing('low')));
        self::assertSame('rotation', $stand->closing('low')[0]->numbers['ability']);
        $pose = self::pose(Person::of(self::TURNS, seen: [self::seen('full', '2026-03-08')], entries: [$hurt, $word]));
        self::assertSame([State::Unknown, null], [$pose->state(), $pose->seenOn() && [] === $pose->full()->testFirst
            ? true : null], 'Seen again, and still not tested.');
        $gated = self::ladder(gateOfFull: [new GateDefinition(GateKind::Observed, 'elbow-to-sole')]);
        $shut = static fn (array $entries): int => count(self::pose(Person::of(self::TURNS,
            seen: [self::seen('full', '2026-03-08')], entries: $entries), $gated)->full()->shut());
        self::assertSame([0, 1], [$shut([]), $shut([$hurt, $word])],
            'Seen clean opens a gate, but not before the test that a word asks for.');
        $other = self::pose(Person::of(self::TURNS, entries: [$hurt, $word]), side: Side::Right);
        self::assertSame([], $other->full()->testFirst, 'The other side was never stopped.');
    }

    public function testAPoseIsSeenShortOrAskedAsItsFullFormIs(): void
    {
        $pose = self::pose(Person::of(self::TURNS));
        self::assertSame([State::Short, Ability::ExternalRotation], [$pose->state(), $pose->limiter()?->ability]);
        self::assertSame(1, $pose->chance(), 'Short by far: never nought.');
        self::assertNull($pose->seenOn());
        self::assertNull($pose->rung('no-such-rung'));
        self::assertSame('high', $pose->rung('high')?->rung->id);
        $seen = self::pose(Person::of(self::TURNS, seen: [self::seen('full')]));
        self::assertSame([State::Open, 99, '2026-03-05'], [$seen->state(), $seen->chance(),
            $seen->seenOn()?->format('Y-m-d')]);
        self::assertContains('seen.against', self::codes($seen->reasons()),
            'The reading that says otherwise is named.');
        $tried = self::pose(Person::of(self::TURNS, seen: [self::seen('full', isClean: false)]));
        self::assertSame([State::Short, 'seen.not-clean'], [$tried->state(), $tried->reasons()[0]->code]);
        self::assertSame(State::Near, self::pose(Person::of(self::TURNS, seen: [self::seen('ground', isClean: false)]))
            ->rung('ground')?->state(), 'Enough by the numbers, and not clean when tried.');
        $unknown = self::pose(Person::of([]));
        self::assertSame([State::Unknown, null, 'ability.unread'],
            [$unknown->state(), $unknown->chance(), $unknown->reasons()[0]->code]);
        self::assertNull(self::pose(Person::of(self::TURNS, [Condition::everything('c', 'C')]))->chance());
        self::assertNotContains('seen.against', self::codes(self::pose(Person::of([], seen: [self::seen('full')]))
            ->reasons()));
        $old = self::pose(Person::of(self::TURNS, on: '2026-06-10'));
        self::assertSame(['ability.too-old', 100], [$old->reasons()[0]->code, $old->reasons()[0]->numbers['days']]);
    }

    public function testEachMarginSaysHowItStands(): void
    {
        $codes = static function (float $degrees, array $tests = self::TURNS): array {
            $posture = new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
                [new RungDefinition('full', 'Full', null, ['rotation' => $degrees], new Work([], false))], []);

            return self::codes((new ReadPoses(['turner' => $posture], Person::of($tests), self::tests()))
                ->of('turner', Side::Left)->reasons());
        };
        self::assertSame(['ability.open'], $codes(70.0));
        self::assertSame(['ability.near'], $codes(84.0));
        self::assertSame(['ability.short'], $codes(100.0));
        self::assertSame(['ability.at-least'], $codes(100.0,
            ['soles-together' => [['kneeHeight' => 12.0, 'heelDistance' => 20.0]]]));
    }

    /** What would have to come from the knee: of this leg, and read exactly. */
    public function testTheShortfallAtTheKnee(): void
    {
        $rotation = (float) Person::of(self::TURNS)->capacities(Side::Left)->get(Ability::ExternalRotation)?->value;
        $of = static fn (PostureDefinition $posture, array $tests =
            self::TURNS): ?float => (new ReadPoses(['turner' => $posture], Person::of($tests), self::tests()))
            ->of('turner', Side::Left)->shortfallAtKnee();
        $posture = static fn (array $own, array $other = []): PostureDefinition => new PostureDefinition('turner',
            'Turner', [Ability::ExternalRotation], [new RungDefinition('full', 'Full', null, $own, new Work([], false),
                otherLeg: $other)], []);
        self::assertEqualsWithDelta(110.0 - $rotation, $of($posture(['rotation' => 110.0])), 1e-9);
        self::assertSame(0.0, $of($posture(['rotation' => 40.0])));
        self::assertNull($of($posture(['abduction' => 40.0], ['rotation' => 110.0])),
            'The other leg’s is not this knee’s.');
        self::assertNull($of($posture(['rotation' => 110.0]),
            ['soles-together' => [['kneeHeight' => 12.0, 'heelDistance' => 20.0]]]),
            'A lower bound says nothing of a shortfall.');
        self::assertNull($of($posture(['rotation' => 110.0]), []));
    }

    /** A block that raises the knee so far that the numbers fit. */
    public function testABlockIsNamedWhereOneHelps(): void
    {
        $posture = static fn (Demand $demand): PostureDefinition => new PostureDefinition('turner', 'Turner',
            [Ability::ExternalRotation], [new RungDefinition('full', 'Full', $demand, [], new Work([], false))], []);
        $reasons = static fn (float $height, array $tests =
            self::TURNS): array => (new ReadPoses(
                [
                    'turner' => $posture(
                        new Demand(
                            static fn (): KneeAtHeight => new KneeAtHeight(
                                HalfLotusEasy::place(new Sitting()),
                                $height,
                            ),
                        ),
                    ),
                ],
                Person::of($tests),
                self::tests(),
            ))->of('turner', Side::Left)->reasons();
        $asked = new KneeAtHeight(HalfLotusEasy::place(new Sitting()), 10.0);
        $lift = Shortfall::kneeLift($asked, SampleBody::leg(), Person::of(self::TURNS)->capacities(Side::Left)
            ->ofLeg());
        $block = array_values(array_filter($reasons(10.0), static fn (Reason $reason): bool => 'change.block'
            === $reason->code));
        self::assertNotNull($lift);
        self::assertSame([$lift],
            array_map(static fn (Reason $reason): float|int|string|array => $reason->numbers['height'], $block));
        self::assertNotContains('change.block', self::codes(self::pose(Person::of(self::TURNS))->reasons()),
            'Where no position was reckoned there is none.');
    }

    /** A test that came to rest, of this ability, and no other. */
    public function testWhichTestIsAtItsCeiling(): void
    {
        $beyond = new TestDefinition('shins-stacked', 'Shins stacked', 8, Formula::named('shins-stacked'),
            ['rotation' => Bound::Exact], ['kneeHeight' => 'cm', 'ankleHeight' => 'cm'], [], 3.0,
            work: new Work(['turn-out'], true), goesBeyond: true);
        $poses = new ReadPoses([], Person::of(['shins-stacked' => [['kneeHeight' => 10.0, 'ankleHeight' => 10.0]],
            'soles-together' => [['kneeHeight' => 12.0, 'heelDistance' => 20.0]]]), ['shins-stacked' => $beyond]);
        self::assertTrue($poses->isAtCeiling($beyond, Ability::ExternalRotation, Side::Left));
        self::assertFalse($poses->isAtCeiling($beyond, Ability::Abduction, Side::Left), 'Another test’s bound.');
        self::assertFalse($poses->isAtCeiling(Definition::frog(), Ability::ExternalRotation, Side::Left));
        $hangs = new ReadPoses([], Person::of(self::TURNS), ['shins-stacked' => $beyond]);
        self::assertFalse($hangs->isAtCeiling($beyond, Ability::ExternalRotation, Side::Left));
    }

    /** Of two readings that agree, the one that was taken nearest to the wanted position decides. */
    public function testTheReadingNearestToThePositionDecides(): void
    {
        $asked = new KneeAtHeight(HalfLotus::place(new Sitting()), 10.0);
        $at = $asked->pose(SampleBody::leg())->angles;
        $day = new \DateTimeImmutable('2026-03-05');
        $read = static fn (float $value, ?LegAngles $position,
            string $test): Evidence => new Evidence(Ability::ExternalRotation, $value, Bound::Exact,
                Uncertainty::ofReading(3.0, $test), $test, on: $day, position: $position, isIsolating: true);
        $evidence = [$read(97.0, new LegAngles(20.0, 0.0, 0.0, 90.0), 'far'), $read(99.0, $at, 'near')];
        $person = new Snapshot(SampleBody::proportions(), ['left' => $evidence, 'right' => []], Holds::of([], $day), [],
            $day);
        $posture = static fn (Demand $demand): PostureDefinition => new PostureDefinition('turner', 'Turner',
            [Ability::ExternalRotation], [new RungDefinition('full', 'Full', $demand, [], new Work([], false))], []);
        $shown = static fn (PostureDefinition $posture): ?float => array_values(
            array_filter(
                (new ReadPoses(['turner' => $posture], $person, []))->of('turner', Side::Left)->full()->margins,
                static fn ($margin): bool => Ability::ExternalRotation === $margin->ability,
            ),
        )[0]->shown ?? null;
        self::assertSame(99.0, $shown($posture(new Demand(static fn (): KneeAtHeight => $asked))));
    }

    /**
     * What one clean session of a rung shows of its angles is no measurement of it: practice passes a rung after three.
     */
    public function testOneSessionMeasuresNoRungThrough(): void
    {
        $ladder = self::ladder(isMeasuredThrough: true, ground: 45.0);
        $practised = new Seen('turner', 'ground', Side::Left, true, self::day('2026-03-05'), isPractice: true);
        $shown = new Evidence(Ability::ExternalRotation, 45.0, Bound::AtLeast, Uncertainty::none(),
            ReadSeen::label('turner', 'ground'), on: self::day('2026-03-05'));
        $elsewhere = new Evidence(Ability::ExternalRotation, 45.0, Bound::AtLeast, Uncertainty::none(),
            ReadSeen::label('other', 'ground'), on: self::day('2026-03-05'));
        $of = static fn (Evidence $evidence): LadderPosition => self::stand(new Snapshot(SampleBody::proportions(),
            ['left' => [$evidence], 'right' => []], Holds::none(), [], self::day('2026-03-10'), [$practised]), $ladder);
        self::assertSame(State::Open, $of($shown)->rung?->state());
        self::assertSame(['ground', []], [$of($shown)->rung->rung->id, $of($shown)->passed]);
        self::assertContains('ground', $of($elsewhere)->passed, 'What another shape shows is one.');
    }

    public function testARungThatAsksForNothingThatCanBeReadIsUnknown(): void
    {
        $posture = new PostureDefinition('turner', 'Turner', [],
            [new RungDefinition('full', 'Full', null, [], new Work([], false))], []);
        $pose = (new ReadPoses(['turner' => $posture], Person::of(self::TURNS), self::tests()))
            ->of('turner', Side::Left);
        self::assertSame(State::Unknown, $pose->state());
        self::assertTrue($pose->onLadder()->isTried);
    }

    public function testWhatTheOtherLegHasToDoIsAskedOfThatLeg(): void
    {
        $posture = new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
            [new RungDefinition('full', 'Full', null, ['rotation' => 20.0], new Work([], false),
                otherLeg: ['rotation' => 120.0])], []);
        $pose = (new ReadPoses(['turner' => $posture], Person::of(self::TURNS), self::tests()))
            ->of('turner', Side::Left);
        self::assertSame(State::Short, $pose->state());
        self::assertTrue($pose->limiter()?->isOtherLeg);
        self::assertSame([false, true], array_map(static fn ($margin): bool => $margin->isOtherLeg, $pose->full()
            ->margins));
        $seen = array_map(static fn (Side $side): Seen => new Seen('other', 'x', $side, true, self::day('2026-03-05')),
            Side::cases());
        self::assertSame(State::Short, (new ReadPoses(['turner' => $posture], Person::of(self::TURNS, seen: $seen),
            self::tests()))->of('turner', Side::Right)->state());
    }

    /** The leg that lies behind, by the leg chain: asked of that leg's own body and capacities. */
    public function testWhereTheOtherLegIsIsAskedOfThatLeg(): void
    {
        $demand = new Demand(static fn (): KneeAtHeight => new KneeAtHeight(HalfLotus::place(new Sitting()), 10.0));
        $posture = new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
            [new RungDefinition('full', 'Full', null, ['rotation' => 20.0], new Work([], false), otherDemand: $demand)],
            []);
        $pose = (new ReadPoses(['turner' => $posture], Person::of(self::TURNS), self::tests()))
            ->of('turner', Side::Left);
        self::assertSame([[Ability::ExternalRotation, false], [Ability::ExternalRotation, true]],
            array_map(static fn ($margin): array => [$margin->ability, $margin->isOtherLeg], $pose->full()->margins));
        self::assertSame([State::Short, true], [$pose->state(), $pose->limiter()?->isOtherLeg]);
        self::assertNull($pose->full()->posture, 'No position of this leg was reckoned.');
        $straight = new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
            [new RungDefinition('full', 'Full', null, ['rotation' => 20.0], new Work([], false),
                otherDemand: new Demand(static fn (): KneeAtHeight => new KneeAtHeight(HalfLotus::place(new Sitting()),
                    80.0)))], []);
        $cannot = (new ReadPoses(['turner' => $straight], Person::of(self::TURNS), self::tests()))
            ->of('turner', Side::Left);
        self::assertTrue($cannot->full()->isImpossible);
        self::assertSame(['body.cannot'], self::codes($cannot->onLadder()->bars));
    }

    /** @param list<Reason> $reasons */
    private static function codes(array $reasons): array
    {
        return array_map(static fn (Reason $reason): string => $reason->code, $reasons);
    }

    /** @param list<TestDefinition>|null $tests */
    private static function stand(
        Snapshot $person,
        ?PostureDefinition $ladder = null,
        ?array $tests = null,
    ): LadderPosition {
        return self::pose($person, $ladder, $tests)->onLadder();
    }

    /** A form goes by its own demand, and by what is under the rung that it is alternated with. */
    public function testAFormWaitsForWhatIsUnderItsRungAndForItself(): void
    {
        $ladder = self::ladder();
        $form = static fn (string $id, float $degrees, array $loads,
            bool $isGentle = false): RungDefinition => new RungDefinition($id, $id, null, ['rotation' => $degrees],
                new Work($loads, $isGentle));
        $posture = new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation], $ladder->rungs, [],
            forms: ['high' => [$form('also-high', 60.0, ['turn-out', 'weight-on-knee']),
                $form('too-far', 130.0, ['turn-out'])], 'ground' => [$form('lying', 20.0, ['lying-rest'], true)]]);
        $of = static fn (string $form, Snapshot $person): array => self::codes((new ReadPoses(['turner' => $posture],
            $person, self::tests()))->form('turner', $form, Side::Left)->bars ?? self::fail($form));
        $fresh = Person::of(self::TURNS);
        self::assertSame(['bar.below', 'bar.below'], $of('also-high', $fresh), 'ground and low first');
        self::assertSame([], $of('also-high', Person::of(self::TURNS, seen: [self::seen('low')])));
        self::assertSame([], $of('lying', $fresh));
        self::assertSame(['bar.short'], $of('too-far', Person::of(self::TURNS, seen: [self::seen('low')])));
        $held = Person::of(self::TURNS, [new Condition('c', 'C', ['weight-on-knee'])], seen: [self::seen('low')]);
        self::assertSame(['held.condition'], $of('also-high', $held));
        $poses = new ReadPoses(['turner' => $posture], $held, self::tests());
        self::assertFalse($poses->form('turner', 'also-high', Side::Left)?->isOpen());
        self::assertNull($poses->form('turner', 'no-such-form', Side::Left));
    }

    /** @param list<TestDefinition>|null $tests */
    private static function pose(
        Snapshot $person,
        ?PostureDefinition $ladder = null,
        ?array $tests = null,
        Side $side = Side::Left,
    ): PoseReading {
        return (new ReadPoses(['turner' => $ladder ?? self::ladder()], $person, $tests ?? self::tests()))
            ->of('turner', $side);
    }

    /** @return array<string, TestDefinition> */
    private static function tests(): array
    {
        return ['shins-stacked' => Definition::shinsStacked(), 'frog' => Definition::frog()];
    }

    /**
     * @param list<GateDefinition> $gateOfHigh
     * @param list<GateDefinition> $gateOfFull
     */
    private static function ladder(
        array $gateOfHigh = [],
        bool $isMeasuredThrough = false,
        array $gateOfFull = [],
        float $ground = 20.0,
    ): PostureDefinition {
        $rung = static fn (string $id, float $degrees, array $loads, bool $isGentle = false,
            array $gates = []): RungDefinition => new RungDefinition($id, $id, null, ['rotation' => $degrees],
                new Work($loads, $isGentle), gates: $gates, isMeasuredThrough: $isMeasuredThrough);

        return new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation], [
            $rung('ground', $ground, ['lying-rest'], true, $isMeasuredThrough ? $gateOfHigh : []),
            $rung('low', 50.0, ['turn-out'], gates: $isMeasuredThrough ? $gateOfHigh : []),
            $rung('high', 65.0, ['turn-out', 'weight-on-knee'], gates: $gateOfHigh),
            $rung('full', 120.0, ['turn-out', 'weight-on-knee'], gates: $gateOfFull),
        ], []);
    }

    private static function seen(string $rung, string $on = '2026-03-05', bool $isClean = true): Seen
    {
        return new Seen('turner', $rung, Side::Left, $isClean, self::day($on));
    }

    private static function day(string $day): \DateTimeImmutable
    {
        return new \DateTimeImmutable($day);
    }

    public function testACleanTestAfterTheWordAnswersIt(): void
    {
        $hurt = new PainTold('p', self::day('2026-02-20'), self::day('2026-02-20'),
            new Pain(4, PainPlace::Knee, PainKind::Ache), Side::Left, posture: 'turner', rung: 'high');
        $word = static fn (string $on): ClearanceGiven => new ClearanceGiven('w', self::day($on), self::day($on), ['p'],
            ClearanceAuthority::Clinician, true);
        // The tests are of the second of March.
        self::assertSame([Ability::ExternalRotation], self::pose(Person::of(self::TURNS,
            entries: [$hurt, $word('2026-03-02')]))->full()->testFirst, 'The day itself does not count.');
        $after = self::pose(Person::of(self::TURNS, entries: [$hurt, $word('2026-03-01')]));
        self::assertSame([], $after->full()->testFirst);
        self::assertSame(State::Open, $after->rung('low')?->state());
        $frog = self::pose(Person::of(['frog' => [['span' => 90.0]]], entries: [$hurt, $word('2026-03-01')]));
        self::assertSame([Ability::ExternalRotation], $frog->full()->testFirst, 'Another test answers nothing.');
        $watched = self::pose(Person::of(self::TURNS, entries: [$hurt, $word('2026-03-05')]), tests: []);
        self::assertSame([], $watched->full()->testFirst, 'Where no test reads it, none can be asked for.');
    }

    /**
     * The turn that a body's angles ask is a load, whether somebody wrote it down or not; so is what a word has lifted
     * of it.
     */
    public function testWhatAWordHasLiftedIsReadAnewThoughNobodyWroteTheLoadDown(): void
    {
        $day = self::day('2026-02-20');
        $condition = new Condition('c', 'C', ['turn-out']);
        $told = new ConditionTold('c', $day, $day, $condition);
        $word = new ClearanceGiven('w', self::day('2026-03-05'), self::day('2026-03-05'), ['c'],
            ClearanceAuthority::Clinician, true);
        $posture = new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
            [new RungDefinition('full', 'Full',
                new Demand(static fn (): KneeAtHeight => new KneeAtHeight(HalfLotus::place(new Sitting()), 14.0)), [],
                new Work([], false))], []);
        $read = static fn (array $entries): RungReading => (new ReadPoses(['turner' => $posture],
            Person::of(self::TURNS, entries: $entries), self::tests()))->of('turner', Side::Left)->full();
        $shown = static fn (RungReading $reading): array => array_map(static fn ($margin): ?float => $margin->shown,
            $reading->margins);
        self::assertSame(['c'], array_map(static fn ($hold): string => $hold->id(), $read([$told])->heldBy));
        self::assertSame([[], [Ability::ExternalRotation]],
            [$read([$told, $word])->heldBy, $read([$told, $word])->testFirst]);
        self::assertContains(null, $shown($read([$told, $word])), 'What was read before the word shows nothing.');
        self::assertNotContains(null, $shown($read([])));
    }

    public function testPassesOfRungsBelowTheStopStayOthersGo(): void
    {
        $practised = static fn (string $rung,
            int ...$days): array => array_map(static fn (int $day): ReadinessCheck => new ReadinessCheck($rung,
                self::day('2026-01-31')->modify("$day days"), true, true, Pain::none()), $days);
        $checks = ['turner left' => [...$practised('ground', -20, -19, -18), ...$practised('low', -15, -12, -7),
            ...$practised('high', 5, 10, 16)]];
        $names = static fn (array $entries): array => self::stand(Person::of(self::TURNS, checks: $checks,
            entries: $entries))->passed;
        self::assertSame(['ground', 'low', 'high'], $names([]));
        $hurt = static fn (Side $side, string $posture = 'turner'): PainTold => new PainTold('p',
            self::day('2026-02-20'), self::day('2026-02-20'), new Pain(4, PainPlace::Knee, PainKind::Ache), $side,
            posture: $posture, rung: 'high');
        $word = new ClearanceGiven('w', self::day('2026-03-01'), self::day('2026-03-01'), ['p'],
            ClearanceAuthority::Clinician, true);
        self::assertSame(['ground', 'low', 'high'], $names([$hurt(Side::Left)]),
            'While it is held nothing is taken back.');
        self::assertSame(['ground'], $names([$hurt(Side::Left), $word]), 'One rung below where it stopped.');
        self::assertSame(['ground', 'low', 'high'], $names([$hurt(Side::Right), $word]), 'The other side’s.');
        self::assertSame(['ground', 'low', 'high'], $names([$hurt(Side::Left, 'another'), $word]),
            'On another ladder, and nobody knows where this one stood.');
    }

    /** A stop that was told on no rung of the ladder stops it where it stood, or was worked that day, if lower. */
    public function testALadderThatWasHeldGoesOnOneRungLowerWhereverItWasTold(): void
    {
        $practised = static fn (string $rung,
            int ...$days): array => array_map(static fn (int $day): ReadinessCheck => new ReadinessCheck($rung,
                self::day('2026-01-31')->modify("$day days"), true, true, Pain::none()), $days);
        $checks = [...$practised('ground', -20, -19, -18), ...$practised('low', -15, -12, -7),
            ...$practised('high', 5, 10, 16)];
        $stand = static function (array $checks, string $rung = '', string $posture = '',
            ?PostureDefinition $ladder = null): LadderPosition {
            $hurt = new PainTold('p', self::day('2026-02-20'), self::day('2026-02-20'),
                new Pain(4, PainPlace::Knee, PainKind::Ache), Side::Left, posture: $posture, rung: $rung);
            $word = new ClearanceGiven('w', self::day('2026-03-01'), self::day('2026-03-01'), ['p'],
                ClearanceAuthority::Clinician, true);
            $before = static function (\DateTimeImmutable $moment) use ($checks): Snapshot {
                self::assertEquals(self::day('2026-02-20'), $moment);

                return Person::of(self::TURNS, on: '2026-02-20', checks: ['turner left' => $checks]);
            };

            return self::stand(Person::of(self::TURNS, checks: ['turner left' => $checks], entries: [$hurt, $word],
                before: $before), $ladder);
        };
        self::assertSame(['ground'], $stand($checks)->passed, 'In a test, or before the tests: it stood on "high".');
        self::assertSame([], $stand(array_slice($checks, 0, 3))->passed, 'It stood on "low".');
        self::assertSame([], $stand($checks, 'low', 'turner')->passed, 'On a rung that it had passed.');
        self::assertSame([], $stand($checks, 'ground', 'turner')->passed, 'On a gentle one.');
        self::assertSame(['ground'], $stand($checks, 'full', 'turner')->passed, 'On a try above where it stood.');
        self::assertSame([], $stand([...$checks, ...$practised('low', 20)])->passed, 'Worked that day.');
        self::assertSame(['ground'], $stand([...$checks, ...$practised('high', 20), ...$practised('low', 20)])->passed,
            'Of several the highest is where it was.');
        self::assertSame([], $stand($practised('ground', 2, 3))->passed);
        $beside = self::ladder();
        $form = new RungDefinition('beside', 'Beside', null, [], new Work(['turn-out']));
        $beside = new PostureDefinition('turner', 'Turner', $beside->abilities, $beside->rungs, [], [],
            ['low' => [$form]]);
        self::assertSame([], $stand($checks, 'beside', 'turner', $beside)->passed,
            'In a form beside a rung: as on that rung.');
    }

    public function testAfterAStopMeasuringAndSeeingPassNothingAboveWhereItGoesOn(): void
    {
        $entries = [
            new PainTold('p', self::day('2026-02-20'), self::day('2026-02-20'),
                new Pain(4, PainPlace::Knee, PainKind::Ache), Side::Left, posture: 'turner', rung: 'high'),
            new ClearanceGiven('w', self::day('2026-03-01'), self::day('2026-03-01'), ['p'],
                ClearanceAuthority::Clinician, true),
        ];
        $measured = self::ladder(isMeasuredThrough: true);
        self::assertSame(['ground', 'low', 'high'], self::stand(Person::of(self::TURNS), $measured)->passed);
        self::assertSame(['ground'], self::stand(Person::of(self::TURNS, entries: $entries), $measured)->passed,
            'Practice alone passes from there on.');
        $seen = [self::seen('full', '2026-03-08')];
        self::assertSame(['ground', 'low', 'high', 'full'], self::stand(Person::of(self::TURNS, seen: $seen))->passed);
        self::assertSame(['ground'], self::stand(Person::of(self::TURNS, seen: $seen, entries: $entries))->passed);
        $practised = array_map(static fn (string $day): ReadinessCheck => new ReadinessCheck('low',
            self::day("2026-03-$day"), true, true, Pain::none()), ['03', '06', '11']);
        $on = static fn (array $checks): array => self::stand(Person::of(self::TURNS, entries: $entries,
            on: '2026-03-12', checks: ['turner left' => $checks]), $measured)->passed;
        self::assertSame(['ground', 'low'], $on($practised));
        self::assertSame(['ground'], $on(array_slice($practised, 1)));
    }

    /** Where no test reads what was held, the lowest rung of it is done once, clean, with the teacher watching. */
    public function testWhatNoTestReadsIsSeenFirst(): void
    {
        $entries = [
            new PainTold('p', self::day('2026-02-20'), self::day('2026-02-20'),
                new Pain(4, PainPlace::Knee, PainKind::Ache), Side::Left, posture: 'turner', rung: 'high'),
            new ClearanceGiven('w', self::day('2026-03-01'), self::day('2026-03-01'), ['p'],
                ClearanceAuthority::Clinician, true),
        ];
        $pose = static fn (Seen ...$seen): PoseReading => self::pose(Person::of(self::TURNS, seen: $seen,
            entries: $entries), tests: []);
        $waits = $pose();
        self::assertSame(['bar.see-first'], self::codes($waits->rung('low')?->waits() ?? []));
        self::assertSame('low', $waits->rung('high')?->waits()[0]->numbers['rung']);
        self::assertSame([], $waits->rung('ground')?->waits(), 'Gentle work was never loaded.');
        self::assertSame(State::Unknown, $waits->rung('low')?->state());
        self::assertTrue(May::try($waits, 'low')->isYes(), 'It is tried, to be seen.');
        self::assertFalse(May::try($waits, 'high')->isYes());
        self::assertSame([], $pose(self::seen('low', '2026-03-05'))->rung('high')?->waits());
        foreach ([self::seen('low', '2026-02-25'), self::seen('low', '2026-03-05', false), self::seen('high'),
            new Seen('turner', 'low', Side::Left, true, self::day('2026-03-05'), isPractice: true)] as $seen) {
            self::assertSame(['bar.see-first'], self::codes($pose($seen)->rung('high')?->waits() ?? []),
                'Before the word, not clean, another rung, or with nobody there to see it.');
        }
    }

    public function testWhichTestsWouldSettleAnAbility(): void
    {
        $settle = static function (array $trials, array $tests, array $entries = []): array {
            $poses = new ReadPoses(['turner' => self::ladder()], Person::of($trials, entries: $entries), $tests);

            return array_map(static fn ($test): string => $test->id,
                $poses->settling(Ability::ExternalRotation, $poses->of('turner', Side::Left)->full(), Side::Left));
        };
        $all = ['soles-together' => Definition::solesTogether(), 'shins-stacked' => Definition::shinsStacked(),
            'frog' => Definition::frog(), 'breath-and-talk' => Definition::watched()];
        self::assertSame(['soles-together', 'shins-stacked'], $settle([], $all));
        self::assertSame(['soles-together'], $settle(self::TURNS, $all),
            'What has just been read exactly is not asked again.');
        self::assertSame(['shins-stacked'], $settle(['soles-together' => [['kneeHeight' => 14.0,
            'heelDistance' => 20.0]]], $all), 'Nor another lower bound.');
        $knee = new PainTold('p', self::day('2026-03-05'), self::day('2026-03-05'),
            new Pain(1, PainPlace::Knee, PainKind::Ache), Side::Left);
        self::assertSame([], $settle([], $all, [$knee]), 'What is held is not tested.');
        // A top knee no higher than its ankle rests: that reading is a lower bound, and the test cannot go beyond it.
        $resting = ['shins-stacked' => [['kneeHeight' => 9.0, 'ankleHeight' => 10.0]]];
        self::assertSame(['soles-together'], $settle($resting, $all));
        $beyond = new TestDefinition('shins-stacked', 'Shins stacked', 8, Formula::named('shins-stacked'),
            ['rotation' => Bound::Exact], ['kneeHeight' => 'cm', 'ankleHeight' => 'cm'], [], 3.0,
            work: new Work(['turn-out'], true), goesBeyond: true);
        self::assertSame(['soles-together', 'shins-stacked'],
            $settle($resting, ['soles-together' => $all['soles-together'], 'shins-stacked' => $beyond]),
            'One that can be set up to go beyond is the next.');
    }

    public function testAFreeKneeIsAskedWhereItSuitsAndShortOnlyAtTheLimits(): void
    {
        $contact = new EasyCrossLeg(new Sitting(8.0), 22.0);
        $lotus = FullLotus::place(new Sitting());
        $of = static fn ($contact): RungDefinition => new RungDefinition('full', 'Full',
            new Demand(static fn (Capacity $c): FreeKnee => new FreeKnee($contact, $c)), [],
            new Work(['turn-out'], false));
        $read = static fn (array $tests, $contact): RungReading => (new ReadPoses(['p' => new PostureDefinition('p',
            'P', [Ability::ExternalRotation, Ability::Abduction, ...($contact === $lotus ? [Ability::Flexion] : [])],
            [$of($contact)], [])], Person::of($tests), []))->of('p', Side::Left)->full();
        $open = $read(['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]], 'frog' => [['span' => 95.0]],
            'soles-together' => [['kneeHeight' => 9.0, 'heelDistance' => 14.0]]], $contact);
        self::assertTrue($open->stateOfMargins()->isInReach());
        $asked = static fn (Capacity $capacity, $contact): array => (new FreeKnee($contact, $capacity))
            ->angles(SampleBody::leg());
        $person = Person::of(['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]],
            'frog' => [['span' => 95.0]], 'soles-together' => [['kneeHeight' => 9.0, 'heelDistance' => 14.0]]]);
        foreach ($open->margins as $margin) {
            self::assertEqualsWithDelta($asked($person->capacities(Side::Left)->ofLeg(),
                $contact)[$margin->ability->value], $margin->asked, 1e-9);
        }
        $stiff = ['shins-stacked' => [['kneeHeight' => 45.0, 'ankleHeight' => 10.0]], 'frog' => [['span' => 50.0]]];
        $short = $read($stiff, $lotus);
        self::assertSame(State::Short, $short->stateOfMargins());
        foreach ($short->margins as $margin) {
            self::assertEqualsWithDelta($asked(Person::of($stiff)->capacities(Side::Left)->limitsOfLeg(),
                $lotus)[$margin->ability->value], $margin->asked, 1e-9);
        }
    }
}
