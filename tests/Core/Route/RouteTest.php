<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Route;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Stage;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\GateDefinition;
use LucidAscent\Core\Posture\GateKind;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\Observed;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Route\Keystone;
use LucidAscent\Core\Route\NextReading;
use LucidAscent\Core\Route\Route;
use LucidAscent\Core\Statistics\Normal;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Tests\Core\Readiness\Demand;
use LucidAscent\Tests\Core\Readiness\Person;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\TestCase;

/** Over a small graph: the summit needs a turner and a spreader, and the turner needs the ground. */
final class RouteTest extends TestCase
{
    private const TURNS = ['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]]];
    private const SPREADS = ['frog' => [['span' => 90.0]]];

    public function testTheOrderIsFromTheGroundUpAndPassesOverWhatIsOpen(): void
    {
        $route = Route::to('summit', self::poses(self::TURNS));
        self::assertSame(['ground', 'turner', 'spreader', 'summit'], $route->all);
        self::assertSame(['spreader', 'summit'], $route->left);
        self::assertSame(['spreader'], $route->frontier, 'The summit waits for the spreader.');
    }

    public function testTheFrontierIsWhatNothingElseComesBefore(): void
    {
        self::assertSame(['ground', 'spreader'], Route::to('summit',
            self::poses(['shins-stacked' => [['kneeHeight' => 33.0, 'ankleHeight' => 10.0]]]))->frontier,
            'The turner waits for the ground.');
        $near = self::poses(self::TURNS + ['frog' => [['span' => 82.0]]]);
        self::assertTrue($near->state('spreader')->isInReach());
        self::assertNotSame(State::Open, $near->state('summit'));
        self::assertContains('summit', Route::to('summit', $near)->frontier, 'All that it needs is in reach.');
    }

    public function testAHeldPoseNamesTheNearestOfItsActionThatIsInReach(): void
    {
        $poses = self::poses(self::TURNS, [new Condition('c', 'C', ['turn-out'])]);
        $route = Route::to('summit', $poses);
        self::assertTrue($route->isClosed($poses));
        self::assertSame('turner', $route->instead);
        self::assertNull(Route::to('turner', $poses)->instead);
        $list = static fn (array $same, array $trials): ?string => Route::to('held',
            new ReadPoses(['held' => new PostureDefinition('held', 'Held', [Ability::ExternalRotation],
                [new RungDefinition('full', 'Full', null, ['rotation' => 20.0], new Work(['turn-out'], true))],
                ['ground'],
                $same)] + self::poses([])->postures, Person::of($trials, [new Condition('c', 'C', ['turn-out'])]),
                self::tests()))->instead;
        self::assertSame('turner', $list(['no-such', 'spreader', 'held', 'turner'], self::TURNS),
            'Neither one that is not there, nor one that is not in reach, nor itself.');
        self::assertSame('ground', $list(['no-such'], self::TURNS), 'Else what prepares it.');
        self::assertNull($list(['no-such'], []));
    }

    public function testTheKeystoneIsWhatAloneKeepsMostBack(): void
    {
        $short = ['shins-stacked' => [['kneeHeight' => 30.0, 'ankleHeight' => 10.0]]] + self::SPREADS;
        $poses = self::poses($short);
        $keystone = Keystone::of([Route::to('summit', $poses)], $poses);
        self::assertSame(Ability::ExternalRotation, $keystone?->ability);
        self::assertSame(['ground', 'turner', 'summit'], $keystone->opens);
        // Ground and turner miss turn alone, on the left and the right alike; so does the summit: 12 for each of the
        // three.
        self::assertSame([36, Side::Left], [$keystone->count, $keystone->side]);
        self::assertGreaterThan(10.0, $keystone->missing);
        $near = self::poses(['shins-stacked' => [['kneeHeight' => 17.0, 'ankleHeight' => 10.0]]] + self::SPREADS);
        self::assertSame(6, Keystone::of([Route::to('summit', $near)], $near)?->count,
            'The summit is near, and counts by half.');
        $both = self::poses(['shins-stacked' => [['kneeHeight' => 30.0, 'ankleHeight' => 10.0]],
            'frog' => [['span' => 60.0]]]);
        self::assertSame([24, Ability::ExternalRotation], [Keystone::of([Route::to('summit', $both)], $both)?->count,
            Keystone::of([Route::to('summit', $both)], $both)->ability],
            'What two keep back counts by half, for the one that is furthest behind.');
        $held = self::poses($short, [Condition::everything('c', 'C')]);
        self::assertNull(Keystone::of([Route::to('summit', $held)], $held), 'What is held waits for no ability.');
        $open = self::poses(self::TURNS + self::SPREADS);
        self::assertNull(Keystone::of([Route::to('summit', $open)], $open));
        self::assertNull(Keystone::of([], $open));
    }

    public function testTheNextReadingSettlesMostForItsTime(): void
    {
        self::assertSame('figure-four-lying', NextReading::of(['turner'], self::poses([]))?->test?->id,
            'One minute before three.');
        self::assertSame('frog', NextReading::of(['summit'], self::poses(self::TURNS))?->test?->id,
            'What is known is not asked for.');
        self::assertNull(NextReading::of(['summit'], self::poses(self::TURNS + self::SPREADS)), 'Open is settled.');
        self::assertNull(NextReading::of(['turner'], self::poses(['shins-stacked' => [['kneeHeight' => 33.0,
            'ankleHeight' => 10.0]]])), 'Short is settled.');
    }

    public function testHowMuchAReadingWouldTell(): void
    {
        $fall = static fn (array $wanted, array $tests, array $trials = []): ?float => NextReading::of($wanted,
            new ReadPoses(self::poses([])->postures, Person::of($trials), $tests))?->fall;
        $exact = ['shins-stacked' => Definition::shinsStacked()];
        self::assertEqualsWithDelta(0.4, $fall(['turner'], $exact), 1e-9, 'From an even chance to one in ten.');
        self::assertEqualsWithDelta(0.8, $fall(['turner', 'ground'], $exact), 1e-9,
            'For each pose that it would settle.');
        self::assertEqualsWithDelta(0.2, $fall(['turner'], ['soles-together' => Definition::solesTogether()]), 1e-9,
            'A lower bound may happen to reach.');
        self::assertEqualsWithDelta(0.0, (float) $fall(['turner'], ['breath-and-talk' => Definition::watched()]), 1e-9,
            'What is only watched reads nothing: the rung is tried.');
        $next = NextReading::of(['turner'], new ReadPoses(self::poses([])->postures, Person::of([]), $exact));
        self::assertSame(['next.settles', 40.0, 3.0, ['turner']],
            [$next?->because->code, round((float) $next->because->numbers['fall'], 6),
                $next->because->numbers['minutes'], $next->because->numbers['poses']]);
        self::assertFalse($next->isGate);
    }

    /**
     * A margin that cannot be told apart from enough: what one more reading would take off the chance of being wrong.
     */
    public function testWhatAnotherReadingWouldTakeOffADoubt(): void
    {
        $posture = static fn (array $thresholds): array => ['turner' => new PostureDefinition('turner', 'Turner',
            [Ability::ExternalRotation, Ability::Abduction], [new RungDefinition('full', 'Full', null, $thresholds,
                new Work(['turn-out']))], [])];
        $rotation = (float) Person::of(self::TURNS)->capacities(Side::Left)->get(Ability::ExternalRotation)?->value;
        $poses = new ReadPoses($posture(['rotation' => $rotation - 0.5]), Person::of(self::TURNS),
            ['shins-stacked' => Definition::shinsStacked()]);
        self::assertNull(NextReading::of(['turner'], $poses), 'The same reading once more would decide nothing anew.');
        // Read by something coarser so far: the stacked shins err less.
        $coarse = new ReadPoses($posture(['rotation' => $rotation - 0.5]),
            Person::of(['figure-four-lying' => [['angle' => $rotation]]]),
            ['shins-stacked' => Definition::shinsStacked()]);
        $before = $coarse->of('turner', Side::Left)->full()->margins[0]->error;
        self::assertEqualsWithDelta(2.5, $before, 1e-9);
        $wrong = static fn (float $sd): float => Normal::below(-0.5 / $sd);
        self::assertEqualsWithDelta($wrong($before) - $wrong(1.4), NextReading::of(['turner'], $coarse)?->fall, 1e-6);
        self::assertSame(['shins-stacked', ['turner']], [NextReading::of(['turner'], $coarse)->test?->id,
            NextReading::of(['turner'], $coarse)->because->numbers['poses']], 'However little it is.');
        $known = new ReadPoses($posture(['rotation' => 20.0, 'abduction' => 40.0]), Person::of(self::TURNS),
            ['shins-stacked' => Definition::shinsStacked(), 'frog' => Definition::frog()]);
        self::assertSame(['frog', 0.4], [NextReading::of(['turner'], $known)?->test?->id,
            NextReading::of(['turner'], $known)->fall], 'What is open is not read again.');
        self::assertNull(NextReading::of(['turner'], new ReadPoses($posture(['rotation' => 20.0, 'abduction' => 40.0]),
            Person::of(self::TURNS), ['shins-stacked' => Definition::shinsStacked()]))?->test);
    }

    /** What is short for sure is a verdict, whatever else is not known. */
    public function testOneShortageEndsTheQuestion(): void
    {
        $poses = self::poses(['shins-stacked' => [['kneeHeight' => 33.0, 'ankleHeight' => 10.0]]]);
        self::assertSame(State::Short, $poses->state('summit'));
        self::assertNull(NextReading::of(['summit'], $poses), 'Nobody asks how wide the legs go.');
    }

    /** A pose that waits for another is asked by way of that. */
    public function testWhatComesFirstIsAskedFirst(): void
    {
        $first = new PostureDefinition('first', 'First', [Ability::Abduction],
            [new RungDefinition('full', 'Full', null, ['abduction' => 40.0], new Work(['turn-out']))], []);
        $gated = new PostureDefinition('gated', 'Gated', [Ability::ExternalRotation],
            [new RungDefinition('full', 'Full', null, ['rotation' => 20.0], new Work(['turn-out']),
                gates: [new GateDefinition(GateKind::First, 'first')])], []);
        $next = NextReading::of(['gated'], new ReadPoses(['first' => $first, 'gated' => $gated],
            Person::of(self::TURNS), ['shins-stacked' => Definition::shinsStacked(), 'frog' => Definition::frog()]));
        self::assertSame(['frog', ['first']], [$next?->test?->id, $next->because->numbers['poses']]);
    }

    /** What one leg has to do in a pose of the other side is read by a test of that leg. */
    public function testATestOfOneLegSettlesThePoseOfTheOtherSide(): void
    {
        $posture = new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
            [new RungDefinition('full', 'Full', null, [], new Work(['turn-out']), otherLeg: ['rotation' => 50.0])], []);
        $next = NextReading::of(['turner'], new ReadPoses(['turner' => $posture], Person::of([]),
            ['shins-stacked' => Definition::shinsStacked()]));
        self::assertEqualsWithDelta(0.4, $next?->fall, 1e-9);
        self::assertSame(['turner'], $next->because->numbers['poses']);
    }

    /** Another lower bound, where one is known that does not reach: it may not reach either, and nobody knows. */
    public function testASecondLowerBoundIsNotAskedFor(): void
    {
        $another = new TestDefinition('another', 'Another', 1, Formula::named('soles-together'),
            ['rotation' => Bound::AtLeast], ['kneeHeight' => 'cm', 'heelDistance' => 'cm'], [], 1.0);
        $posture = new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
            [new RungDefinition('full', 'Full', null, ['rotation' => 100.0], new Work(['turn-out']))], []);
        $next = static fn (array $trials): ?NextReading => NextReading::of(['turner'],
            new ReadPoses(['turner' => $posture], Person::of($trials), ['another' => $another]));
        self::assertNull($next(['soles-together' => [['kneeHeight' => 12.0, 'heelDistance' => 20.0]]])?->test);
        self::assertSame('another', $next([])?->test?->id);
    }

    /** A lower bound takes nothing off a doubt that an exact reading has left. */
    public function testALowerBoundSettlesNoDoubt(): void
    {
        $rotation = (float) Person::of(self::TURNS)->capacities(Side::Left)->get(Ability::ExternalRotation)?->value;
        $posture = new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
            [new RungDefinition('full', 'Full', null, ['rotation' => $rotation - 0.5], new Work(['turn-out']))], []);
        $poses = new ReadPoses(['turner' => $posture], Person::of(self::TURNS),
            ['soles-together' => Definition::solesTogether()]);
        self::assertSame(State::Near, $poses->state('turner'));
        self::assertNull(NextReading::of(['turner'], $poses));
    }

    /** Two minutes of a test that settles two poses are worth more than one minute that settles none so well. */
    public function testTheFallCountsByTheMinute(): void
    {
        $of = static fn (string $id, float $minutes): TestDefinition => new TestDefinition($id, $id, 1,
            Formula::named('shins-stacked'), ['rotation' => Bound::Exact],
            ['kneeHeight' => 'cm', 'ankleHeight' => 'cm'], [], $minutes);
        $next = static fn (TestDefinition ...$tests): ?string => NextReading::of(['turner'],
            new ReadPoses(self::poses([])->postures, Person::of([]), array_column($tests, null, 'id')))?->test?->id;
        self::assertSame('quick', $next($of('long', 4.0), $of('quick', 2.0), $of('longer', 6.0)));
        self::assertSame('quick', $next($of('quick', 2.0), $of('long', 4.0)));
        self::assertSame('first', $next($of('first', 2.0), $of('second', 2.0)),
            'Of two alike the one that is taught first.');
    }

    /** The top knee rests on its ankle: the ankle is raised until it hangs. */
    public function testWhereOneRestsTheReadingThatGoesBeyondComesNext(): void
    {
        $beyond = new TestDefinition('shins-stacked', 'Shins stacked', 8, Formula::named('shins-stacked'),
            ['rotation' => Bound::Exact], ['kneeHeight' => 'cm', 'ankleHeight' => 'cm'], [], 3.0,
            work: new Work(['turn-out'], true), goesBeyond: true);
        $posture = new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
            [new RungDefinition('full', 'Full', null, ['rotation' => 110.0], new Work(['turn-out']))], []);
        $next = static fn (float $knee, TestDefinition $test): ?NextReading => NextReading::of(['turner'],
            new ReadPoses(['turner' => $posture], Person::of(['shins-stacked' => [['kneeHeight' => $knee,
                'ankleHeight' => 10.0]]]), ['shins-stacked' => $test]));
        self::assertSame(['shins-stacked', 'next.beyond'], [$next(10.0, $beyond)?->test?->id, $next(10.0, $beyond)
                ->because->code]);
        self::assertNull($next(14.0, $beyond)?->test, 'It hung: what it read is what there is.');
        self::assertNull($next(10.0, Definition::shinsStacked())?->test, 'One that cannot go beyond tells no more.');
        self::assertSame('next.settles', NextReading::of(['turner'],
            new ReadPoses(['turner' => $posture], Person::of([]), ['shins-stacked' => $beyond]))?->because->code);
    }

    public function testAGateThatNobodyAskedIsTheNextReading(): void
    {
        $gated = static fn (GateDefinition $gate): array => ['turner' => new PostureDefinition('turner', 'Turner',
            [Ability::ExternalRotation], [
                new RungDefinition('low', 'Low', null, ['rotation' => 20.0], new Work(['lying-rest'], true)),
                new RungDefinition('full', 'Full', null, ['rotation' => 50.0], new Work(['turn-out']), gates: [$gate]),
            ], [])];
        $elbow = new TestDefinition('elbow-to-sole', 'Elbow to sole', 30, Formula::named('observation'), [],
            ['met' => 'yes or no'], [], 1.0, work: new Work(['turn-out'], true));
        $tests = ['elbow-to-sole' => $elbow, 'shins-stacked' => Definition::shinsStacked(),
            'soles-together' => Definition::solesTogether()];
        $next = static fn (GateDefinition $gate, array $observed = [],
            array $conditions = []): ?NextReading => NextReading::of(['turner'],
                new ReadPoses($gated($gate), Person::of(self::TURNS, $conditions, observed: $observed), $tests));
        $asked = $next(new GateDefinition(GateKind::Observed, 'elbow-to-sole'));
        self::assertSame(['elbow-to-sole', true, 0.0, 'next.gate', Side::Left],
            [$asked?->test?->id, $asked->isGate, $asked->fall, $asked->because->code, $asked->side]);
        $answers = static fn (bool $left, bool $right): array => [new Observed('elbow-to-sole', Side::Left, $left,
            new \DateTimeImmutable('2026-03-05')), new Observed('elbow-to-sole', Side::Right, $right,
                new \DateTimeImmutable('2026-03-05'))];
        self::assertNull($next(new GateDefinition(GateKind::Observed, 'elbow-to-sole'), $answers(true, true)),
            'Asked and met: nothing more.');
        self::assertSame(['turner', 'low'], [$next(new GateDefinition(GateKind::Observed, 'elbow-to-sole'),
            $answers(false, false))?->posture, $next(new GateDefinition(GateKind::Observed, 'elbow-to-sole'),
                $answers(false, false))->rung], 'Asked and refused: not asked again today.');
        self::assertNull($next(new GateDefinition(GateKind::Observed, 'elbow-to-sole'), [],
            [new Condition('c', 'C', ['turn-out'])]), 'Nor on a side that is held.');
        $sitting = $next(new GateDefinition(GateKind::Sitting, 'may-try'));
        self::assertSame(['soles-together', false], [$sitting?->test?->id, $sitting->isGate],
            'A gate that a measured test answers is that test.');
        self::assertEqualsWithDelta(0.4, $sitting->fall, 1e-9);
    }

    public function testItIsNeverEmptyWhileAWantedPoseIsUnknown(): void
    {
        $held = self::poses([], [new Condition('c', 'C', ['legs-wide-end', 'weight-on-knee', 'lying-rest',
            'knee-folded', 'turn-out'])]);
        $next = NextReading::of(['turner'], $held);
        self::assertNull($next?->test, 'A test that is held is not proposed.');
        self::assertSame(['turner', 'full'], [$next->posture, $next->rung], 'The rung to try under the teacher’s eye.');
    }

    public function testOfReadingsThatCannotBothBeTrueTheMoreDoubtfulIsRepeated(): void
    {
        $poses = self::poses(['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]],
            'figure-four-lying' => [['angle' => 40.0]]]);
        self::assertSame('figure-four-lying', NextReading::of(['turner'], $poses)?->test?->id);
    }

    /**
     * What a leg is asked besides closes nothing, but it is read before somebody is told that all is open: the more it
     * asks, the more it is worth.
     */
    public function testWhatIsAskedBesidesIsReadBeforeAllIsOpen(): void
    {
        $heel = new TestDefinition('heel-to-seat', 'Heel to seat', 12, Formula::named('heel-to-seat'),
            ['kneeFlexion' => Bound::Exact], ['gap' => 'cm'], [], 1.0);
        $demand = new Demand(static fn (Capacity $capacity): KneeAtHeight => new KneeAtHeight(new SolesTogether(20,
            new Sitting()), 24));
        $posture = ['turner' => new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
            [new RungDefinition('full', 'Full', $demand, [], new Work(['turn-out']))], [])];
        $read = static fn (array $trials, array $seen = []): ReadPoses => new ReadPoses($posture,
            Person::of($trials, seen: $seen), ['shins-stacked' => Definition::shinsStacked(), 'heel-to-seat' => $heel]);
        $open = $read(self::TURNS);
        self::assertSame(State::Open, $open->of('turner', Side::Left)->state(), 'It closes nothing.');
        $next = NextReading::of(['turner'], $open);
        self::assertSame('heel-to-seat', $next?->test?->id);
        // The knee folds by 146.7° there; the largest norm is 144°, and people are about ten degrees from that.
        self::assertEqualsWithDelta(Normal::below(0.27), $next->fall, 2e-3);
        self::assertNotSame('heel-to-seat', NextReading::of(['turner'],
            $read(['figure-four-lying' => [['angle' => 20.0]]]))?->test?->id,
            'Nobody asks it of a pose that is short.');
        $clean = array_map(static fn (Side $side): Seen => new Seen('turner', 'full', $side, true,
            new \DateTimeImmutable('2026-03-03')), Side::cases());
        self::assertNull(NextReading::of(['turner'], $read(self::TURNS, $clean)), 'What was seen is open.');
    }

    public function testEachOfThemIsRepeatedOnceAndNoMore(): void
    {
        $read = ['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]],
            'figure-four-lying' => [['angle' => 40.0]]];
        $person = Person::of($read);
        $again = static fn (string ...$tests): Snapshot => new Snapshot($person->proportions,
            array_map(static fn (array $of): array => [...$of,
                ...array_filter($of, static fn (Evidence $e): bool => in_array($e->test, $tests, true))],
                $person->evidence), $person->holds, $person->taken, $person->on);
        $poses = self::poses($read);
        self::assertSame('shins-stacked', NextReading::of(['turner'],
            $poses->with($again('figure-four-lying')))?->test?->id);
        self::assertNull(NextReading::of(['turner'], $poses->with($again('figure-four-lying', 'shins-stacked'))));
    }

    public function testAStageIsWhereTheSideStandsAsFarAsThereAreTheProps(): void
    {
        $ladder = self::ladder([['low', 20.0, true], ['middle', 50.0, false], ['high', 120.0, false]]);
        $practice = ['turner' => array_map(static fn (RungDefinition $rung): PracticeRung => new PracticeRung('turner',
            'Turner', $rung, Stance::Seated, [], 'middle' === $rung->id ? ['strap' => 1] : [], false), $ladder->rungs)];
        $stage = static fn (bool $strap, Snapshot $person): ?string => Stage::of('turner', Side::Left,
            new ReadPoses(['turner' => $ladder], $person), $practice, new Equipment(0, 0, $strap))?->rung->id;
        self::assertSame('low', $stage(true, Person::of(self::TURNS)),
            'Nobody starts on the highest rung that the numbers would allow.');
        $passed = static fn (Condition ...$conditions): Snapshot => Person::of(self::TURNS, array_values($conditions),
            seen: [new Seen('turner', 'low', Side::Left, true, new \DateTimeImmutable('2026-03-05'))]);
        self::assertSame('middle', $stage(true, $passed()));
        self::assertSame('low', $stage(false, $passed()), 'A rung that is missing its prop is not skipped upwards.');
        self::assertSame('low', $stage(true, Person::of([])), 'Nothing known: a gentle one, to find out.');
        self::assertNull($stage(true, Person::of(self::TURNS, [Condition::everything('c', 'C')])));
        $left = new PainTold('p', new \DateTimeImmutable('2026-03-05'), new \DateTimeImmutable('2026-03-05'),
            new Pain(1, PainPlace::Knee), Side::Right);
        self::assertSame('low', $stage(true, Person::of(self::TURNS,
            seen: [new Seen('turner', 'low', Side::Left, true, new \DateTimeImmutable('2026-03-05'))],
            entries: [$left])), 'While all of one side is held, the other goes on in gentle shapes.');
    }

    /**
     * @param array<string, non-empty-list<array<string, float>>> $trials
     * @param list<Condition> $conditions
     */
    private static function poses(array $trials, array $conditions = []): ReadPoses
    {
        $posture = static fn (string $id, array $thresholds, array $needs,
            array $loads = []): PostureDefinition => new PostureDefinition(
                $id,
                ucfirst($id),
                array_map(Ability::from(...), array_keys($thresholds)),
                [new RungDefinition('full', 'Full', null, $thresholds, new Work($loads, true))],
                $needs,
                'summit' === $id ? ['turner'] : [],
            );

        return new ReadPoses([
            'ground' => $posture('ground', ['rotation' => 70.0], []),
            'turner' => $posture('turner', ['rotation' => 75.0], ['ground']),
            'spreader' => $posture('spreader', ['abduction' => 45.0], []),
            'summit' => $posture('summit', ['rotation' => 78.0, 'abduction' => 50.0], ['turner', 'spreader'],
                ['turn-out']),
        ], Person::of($trials, $conditions), self::tests());
    }

    /** @return array<string, TestDefinition> */
    private static function tests(): array
    {
        $tests = [];
        foreach ([Definition::frog(), Definition::figureFour(), Definition::shinsStacked()] as $test) {
            $tests[$test->id] = $test;
        }

        return $tests;
    }

    /** @param non-empty-list<array{string, float, bool}> $rungs */
    private static function ladder(array $rungs): PostureDefinition
    {
        return new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation], array_map(
            static fn (array $rung): RungDefinition => new RungDefinition($rung[0], $rung[0], null,
                ['rotation' => $rung[1]], new Work(['turn-out'], $rung[2])),
            $rungs,
        ), []);
    }
}
