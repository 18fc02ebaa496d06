<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\History;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Entry\StopDecided;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Words\ReadWords;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\History\Entry\BodyMeasured;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\Entry\DecisionMade;
use LucidAscent\Core\History\Entry\GateAnswered;
use LucidAscent\Core\History\Entry\RungSeen;
use LucidAscent\Core\History\Entry\TestCorrected;
use LucidAscent\Core\History\Entry\TestTaken;
use LucidAscent\Core\History\Entry\WordsSaid;
use LucidAscent\Core\History\History;
use LucidAscent\Core\History\ReadHistory;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\Prop;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Tests\Core\SampleBody;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\TestCase;

/** A fold of two rungs that ask for turn, and a test of it that may be corrected, hurt, or be watched. */
final class ReadHistoryTest extends TestCase
{
    private const NOW = '2026-03-10 12:00';

    public function testWithoutABodyNothingIsReadAndEverythingIsHeld(): void
    {
        $hurt = new PainTold('p', self::at('09'), self::at('09'), new Pain(2, PainPlace::Knee), Side::Left);
        self::assertNull(self::reading()->snapshot(new History([$hurt], ToolErrors::usual()),
            new \DateTimeImmutable(self::NOW)));
        self::assertCount(1, self::holds([$hurt]));
        $late = new BodyMeasured('b', self::at('12'), self::at('12'), '', SampleBody::proportions());
        self::assertNull(self::reading()->snapshot(new History([$late], ToolErrors::usual()),
            new \DateTimeImmutable(self::NOW)), 'Measured later.');
    }

    public function testTheBodyThatWasMeasuredLastCounts(): void
    {
        $taller = SampleBody::proportions();
        $history = new History([new BodyMeasured('b', self::at('05'), self::at('05'), '', $taller),
            new BodyMeasured('a', self::at('02'), self::at('02'), '', SampleBody::proportions())], ToolErrors::usual());
        self::assertSame($taller, $history->body(new \DateTimeImmutable(self::NOW)));
        self::assertNotSame($taller, $history->body(self::at('04')));
        self::assertNull($history->body(self::at('01')));
    }

    /** A correction is of the day of what it corrects; before it was made, the earlier one stands. */
    public function testOnlyTheNewestOfARowOfCorrectionsStandsAsOfTheFirstDay(): void
    {
        $entries = [
            self::taken('one', '02', 30.0),
            self::taken('two', '04', 25.0),
            self::taken('three', '06', 20.0),
            new TestCorrected('c', self::at('04'), self::at('04'), '', 'two', 'one', self::at('02')),
            new TestCorrected('d', self::at('06'), self::at('06'), '', 'three', 'two', self::at('04')),
        ];
        $height = static fn (string $day): array => array_map(
            static fn (TakenTest $test): array => [
                $test->measure('kneeHeight')->mean(),
                $test->on?->format('d'),
                $test->at?->format('d'),
            ],
            self::snapshot($entries, $day)->taken,
        );
        self::assertSame([[30.0, '02', '02']], $height('03'));
        self::assertSame([[25.0, '02', '02']], $height('05'));
        self::assertSame([[20.0, '02', '02']], $height('07'));
        $circle = [...$entries, new TestCorrected('e', self::at('06'), self::at('06'), '', 'one', 'three',
            self::at('06'))];
        self::assertSame([], $height('01'));
        self::assertSame([], self::snapshot($circle, '07')->taken,
            'What corrects in a circle leaves nothing that stands.');
    }

    public function testNobodyWatchesATestBecauseSomebodyCorrectsItLater(): void
    {
        $entries = [
            self::taken('one', '02', 30.0, isWatched: false),
            self::taken('two', '04', 25.0),
            self::taken('three', '06', 20.0),
            new TestCorrected('c', self::at('04'), self::at('04'), '', 'two', 'one', self::at('02')),
            new TestCorrected('d', self::at('06'), self::at('06'), '', 'three', 'two', self::at('04')),
        ];
        $watched = static fn (array $entries): array => array_map(
            static fn (TakenTest $test): bool => $test->isWatched,
            self::snapshot($entries, '07')->taken,
        );
        self::assertSame([false], $watched($entries));
        self::assertSame([true], $watched([self::taken('one', '02', 30.0), ...array_slice($entries, 1)]));
        self::assertSame([true, false], $watched(array_slice($entries, 0, 2)));
    }

    /** The body is measured on the first day of the year, so nothing is known of a moment before that. */
    public function testWhereSomebodyStoodBeforeAMomentIsReadOfThatTime(): void
    {
        $now = self::snapshot([self::taken('one', '02', 30.0), self::taken('two', '04', 25.0)], '07');
        self::assertCount(2, $now->taken);
        self::assertCount(1, $now->before(self::at('04'))->taken ?? [], 'What was entered then is not of before.');
        self::assertCount(0, $now->supposing(Side::Left, [])->before(self::at('02'))->taken ?? [1]);
        self::assertNull($now->before(new \DateTimeImmutable('2026-01-01')));
        $corrected = self::snapshot([self::taken('one', '02', 30.0), self::taken('two', '06', 25.0),
            new TestCorrected('c', self::at('06'), self::at('06'), '', 'two', 'one', self::at('02'))], '07');
        self::assertSame([25.0], array_map(
            static fn (TakenTest $test): float => $test->measure('kneeHeight')->mean(),
            $corrected->before(self::at('04'))->taken ?? [],
        ), 'What was a slip of the pen was never how far somebody went.');
    }

    public function testWhatIsNewestComesFirstAndWhatIsToComeNotAtAll(): void
    {
        $days = array_map(static fn (TakenTest $test): string => $test->on?->format('d') ?? '',
            self::snapshot([self::taken('a', '03', 30.0), self::taken('b', '05', 30.0), self::taken('c', '12', 30.0)],
                '10')->taken);
        self::assertSame(['05', '03'], $days);
        self::assertCount(1, self::snapshot([self::taken('a', '10', 30.0)], '10')->taken, 'At the moment itself.');
    }

    /** A slip of the keyboard stays on record, and tells nothing but what hurt. */
    public function testWhatNobodyCanHaveReadProvesNothingAndItsPainHolds(): void
    {
        foreach ([250 => 1, 251 => 0, -1 => 0, 0 => 1] as $height => $many) {
            $test = self::taken('a', '09', (float) $height, new Pain(3, PainPlace::Knee));
            self::assertCount($many, self::snapshot([$test])->taken);
            self::assertCount(1, self::holds([$test]));
        }
        self::assertSame([], self::snapshot([self::taken('a', '09', 300.0)])->evidence['left']);
    }

    /** Wherever it was said it is heard, under the name of what it was said with. */
    public function testPainIsHeardWhereverItWasSaid(): void
    {
        $knee = new Pain(2, PainPlace::Knee);
        $check = static fn (Pain $pain): ReadinessCheck => new ReadinessCheck('low', self::at('09'), true, true, $pain);
        $entries = [
            'test' => self::taken('t', '09', 30.0, $knee),
            'check' => new CheckMade('check', self::at('09'), self::at('09'), 'me', 'fold', Side::Left, $check($knee),
                null, [], Side::Left),
            'seen' => new RungSeen('seen', self::at('09'), self::at('09'), 'me', 'fold', 'low', Side::Left, true, $knee,
                [], false, null),
            'said' => new PainTold('said', self::at('09'), self::at('09'), $knee, Side::Left),
        ];
        foreach ($entries as $what => $entry) {
            $holds = self::holds([$entry]);
            self::assertSame([$entry->id(), Side::Left], [$holds[0]->id(), $holds[0]->side], $what);
            self::assertCount(1, self::reading()->pains(new History([$entry], ToolErrors::usual()),
                new \DateTimeImmutable(self::NOW)), $what);
            self::assertCount(1, self::holds([$entry, $entry]), "$what: told twice over it is told once.");
        }
        $painless = [self::taken('t', '09', 30.0), new CheckMade('c', self::at('09'), self::at('09'), '', 'fold',
            Side::Left, $check(Pain::none()), null, [], Side::Left),
            new PainTold('n', self::at('09'), self::at('09'), Pain::none(), Side::Left)];
        self::assertSame([], self::holds($painless));
        $numb = new RungSeen('seen', self::at('09'), self::at('09'), '', 'fold', 'low', Side::Left, true,
            new Pain(0, PainPlace::OuterHip, PainKind::LastingNumbness), [], false, null);
        self::assertCount(1, self::holds([$numb]), 'Numbness counts whatever number is given with it.');
    }

    public function testWordsHoldUntilSomebodyHasReadThem(): void
    {
        $said = static fn (string $text, ?string $read = null): array => array_map(
            static fn (Hold $hold): array => [$hold->holds->id, $hold->word, $hold->side, $hold->holds->gentleOnly],
            self::holds([new WordsSaid('w', self::at('05'), self::at('05'), ReadWords::of($text),
                null === $read ? null : self::at($read))]),
        );
        self::assertSame([['words', null, Side::Left, true]], $said('the left knee hurts'));
        self::assertSame([], $said('no pain'));
        self::assertSame([], $said('the left knee hurts', '06'));
        self::assertCount(1, $said('the left knee hurts', '11'), 'Read only later.');
        self::assertSame([], $said('the left knee hurts', '10 12:00'), 'At that moment itself.');
    }

    /** Low-back pain holds folds: what was being done decides. */
    public function testWhatWasBeingDoneIsLookedUp(): void
    {
        $back = new Pain(2, PainPlace::LowBack);
        $seen = static fn (string $rung): array => self::holds([new RungSeen('s', self::at('09'), self::at('09'), '',
            'fold', $rung, Side::Left, true, $back, [], false, null)]);
        self::assertSame(['fold', 'high'], [$seen('high')[0]->posture, $seen('high')[0]->rung]);
        self::assertSame([], $seen('low'), 'No fold is in it.');
        self::assertCount(1, $seen('gone'), 'What nobody knows any more may have been one.');
    }

    public function testAsOfNowAClockAheadHidesNoPain(): void
    {
        $ahead = new PainTold('p', self::at('12'), self::at('12'), new Pain(3, PainPlace::Knee), Side::Left);
        self::assertCount(1, self::snapshot([$ahead])->holds->active);
    }

    public function testAStopIsADecisionAndOtherStepsHoldNothing(): void
    {
        $decided = static fn (Step $step, bool $isPainless = true): DecisionMade => new DecisionMade('d',
            self::at('09'), self::at('09'), 'me', 'fold', Side::Right, 'high', 'low', $step, $isPainless);
        $hold = self::holds([$decided(Step::Stop)])[0];
        self::assertInstanceOf(StopDecided::class, $hold->entry);
        self::assertSame([Side::Right, 'fold', 'high', 'me', ClearanceAuthority::Teacher],
            [$hold->side, $hold->posture, $hold->rung, $hold->entry->by(), $hold->word]);
        self::assertSame(ClearanceAuthority::Clinician, self::holds([$decided(Step::Stop, false)])[0]->word);
        self::assertSame([], self::holds([$decided(Step::StepBack)]));
        self::assertSame([['fold right'], 'low'], [array_keys(self::snapshot([$decided(Step::StepBack)])->decided),
            self::snapshot([$decided(Step::StepBack)])->decided['fold right'][0]->rungAfter]);
        self::assertSame([], self::snapshot([$decided(Step::StepBack)], '08')->decided);
    }

    public function testAClockThatWasAheadHidesNoPainAndLiftsNothingBeforeItsTime(): void
    {
        $hurt = new PainTold('p', self::at('12'), self::at('12'), new Pain(4, PainPlace::Knee), Side::Left);
        self::assertCount(1, self::holds([$hurt]));
        self::assertSame([], self::reading()->holds(new History([$hurt], ToolErrors::usual()),
            new \DateTimeImmutable(self::NOW), false)->active,
            'A day that is read again knows what was there by then.');
        $early = new PainTold('p', self::at('08'), self::at('08'), new Pain(4, PainPlace::Knee), Side::Left);
        $word = new ClearanceGiven('w', self::at('12'), self::at('09'), ['p'], ClearanceAuthority::Clinician, true);
        self::assertCount(1, self::holds([$early, $word]));
        $slip = new EnteredByMistake('m', self::at('12'), 'p', '', 'A slip');
        self::assertCount(1, self::holds([$early, $slip]));
        $condition = new ConditionTold('c', self::at('12'), self::at('12'), new Condition('c', 'C', ['turn-out']));
        self::assertCount(1, self::holds([$condition]));
        self::assertCount(1, self::holds([new StopDecided('s', self::at('12'), self::at('12'), Side::Left, true)]));
    }

    public function testWhatIsToldAgainIsAsItWasToldLastOfItsNameSideAndKind(): void
    {
        $told = static fn (string $id, string $day, Condition $condition,
            ?Side $side = null): ConditionTold => new ConditionTold($id, self::at($day), self::at($day), $condition,
                $side);
        $words = new Condition('other', 'Other', [], gentleOnly: true, isInFreeWords: true);
        $twist = $words->touching([Load::Twist]);
        $neck = $words->touching([Load::Neck]);
        $twice = self::holds([$told('condition:other', '03', $twist), $told('condition:other', '05', $neck)]);
        self::assertCount(1, $twice);
        self::assertEqualsCanonicalizing(['twist', 'neck'], $twice[0]->holds->holds,
            'What it was said to touch before, it touches still.');
        self::assertFalse($twice[0]->holds->gentleOnly);
        $sorted = self::holds([$told('condition:other', '03', $words),
            $told('condition:other', '05', $twist)])[0]->holds;
        self::assertSame([['twist'], false], [$sorted->holds, $sorted->gentleOnly],
            'Once somebody has said what it touches, the rest is open.');
        self::assertCount(2, self::holds([$told('a', '03', $twist), $told('b', '05', $neck)]),
            'Under two names they are two.');
        self::assertCount(2, self::holds([$told('a', '03', $twist, Side::Left), $told('a', '05', $neck, Side::Right)]));
        self::assertCount(2, self::holds([$told('a', '03', new Condition('x', 'X', ['twist'])),
            $told('a', '05', new Condition('y', 'Y', ['neck']))]), 'One name for two things is still two things.');
        $again = [$told('c', '03', $twist), $told('c', '12', $twist)];
        self::assertCount(1, self::reading()->holds(new History($again, ToolErrors::usual()),
            new \DateTimeImmutable(self::NOW), false)->active, 'What was told again later was told before.');
    }

    /** A stretch that nobody minds is clean; an ache is not seen clean, though it spoils no session. */
    public function testWhatAWalkACheckAndAnAnswerProve(): void
    {
        $walk = static fn (Pain $pain, bool $clean = true): bool => self::snapshot([new RungSeen('s', self::at('09'),
            self::at('09'), '', 'fold', 'low', Side::Left, $clean, $pain, [], false, null)])->seen[0]->isClean;
        self::assertSame([true, true, false, false], [$walk(Pain::none()),
            $walk(new Pain(2, PainPlace::OuterHip, PainKind::Stretch)), $walk(new Pain(2, PainPlace::OuterHip)),
            $walk(Pain::none(), false)]);
        $seen = static fn (Pain $pain): array => array_map(static fn ($one): bool => $one->isClean,
            self::snapshot([new CheckMade('c', self::at('09'), self::at('09'), '', 'fold', Side::Left,
                new ReadinessCheck('low', self::at('09'), true, true, $pain), null, [], Side::Left)])->seen);
        self::assertSame([[true], [true], [], [false]], [$seen(Pain::none()),
            $seen(new Pain(2, PainPlace::OuterHip, PainKind::Stretch)), $seen(new Pain(2, PainPlace::OuterHip)),
            $seen(new Pain(3, PainPlace::OuterHip))]);
        $gate = static fn (bool $met, Pain $pain): ?bool => self::snapshot([new GateAnswered('g', self::at('09'),
            self::at('09'), '', 'elbow-to-sole', Side::Left, $met, $pain)])->observed('elbow-to-sole', Side::Left);
        self::assertSame([true, false, false, true], [$gate(true, Pain::none()), $gate(false, Pain::none()),
            $gate(true, new Pain(1, PainPlace::OuterHip)), $gate(true,
                new Pain(1, PainPlace::OuterHip, PainKind::Stretch))]);
        self::assertSame([], self::snapshot([new GateAnswered('g', self::at('12'), self::at('12'), '', 'elbow-to-sole',
            Side::Left, true, Pain::none()), new RungSeen('s', self::at('12'), self::at('12'), '', 'fold', 'low',
                Side::Left, true, Pain::none(), [], false, null)])->seen);
        $watched = static fn (float $yes, Pain $pain): ?bool => self::snapshot([new TestTaken('w', self::at('09'),
            self::at('09'), '', 'w', new TakenTest('elbow-to-sole', Side::Left, Tool::Tape, [['even' => $yes]], [],
                $pain, self::at('09')))])->observed('elbow-to-sole', Side::Left);
        self::assertSame([true, false, false], [$watched(1.0, Pain::none()), $watched(0.0, Pain::none()),
            $watched(1.0, new Pain(1, PainPlace::OuterHip))]);
    }

    /** What is entered at a moment is known at it, and what comes later is not. */
    public function testAMomentIsPartOfItself(): void
    {
        $check = static fn (string $day): CheckMade => new CheckMade("c$day", self::at($day), self::at('09'), '',
            'fold', Side::Left, new ReadinessCheck('low', self::at('09'), true, true, Pain::none()), null, [],
            Side::Left);
        self::assertCount(1, self::snapshot([$check('10'), $check('11')])->checks['fold left']);
        self::assertCount(1, self::snapshot([$check('10'), $check('11')])->seen);
        $decision = static fn (string $day): array => self::snapshot([new DecisionMade('d', self::at($day),
            self::at('09'), 'me', 'fold', Side::Right, 'low', 'high', Step::MoveOn, true)])->decided;
        self::assertSame([['fold right'], []], [array_keys($decision('10')), $decision('11')]);
        $stop = static fn (?Side $side, string $day): array => array_keys(self::snapshot([new StopDecided("s$day",
            self::at($day), self::at('09'), $side, true, 'fold', 'low')])->decided);
        self::assertSame(['fold left', 'fold right'], $stop(null, '10'));
        self::assertSame(['fold right'], $stop(Side::Right, '09'));
        self::assertSame([], $stop(null, '11'));
        $first = self::taken('a', '08', 30.0);
        $corrected = static fn (string $day): array => array_column(self::snapshot([$first,
            self::taken('b', '09', 25.0),
            new TestCorrected('x', self::at($day), self::at($day), '', 'b', 'a', self::at('08'))])->taken, 'id');
        self::assertSame(['b'], $corrected('10'));
        self::assertSame(['a', 'b'], $corrected('11'), 'It was not corrected yet.');
        $body = static fn (string $day, float $stature): BodyMeasured => new BodyMeasured("b$day", self::at($day),
            self::at($day), '', Proportions::of(Length::cm($stature)));
        $history = static fn (BodyMeasured ...$bodies): ?float => (new History(array_values($bodies),
            ToolErrors::usual()))->body(self::at('10'))?->stature->cm;
        self::assertSame(170.0, $history($body('10', 170.0), $body('09', 160.0), $body('11', 150.0)));
        self::assertSame(170.0, $history($body('09', 160.0), $body('10', 170.0)));
        self::assertNull($history($body('11', 150.0)));
    }

    /** The prop's top and what lies on it: so high was the middle of the knee. */
    public function testWhatWasPractisedOnAMeasuredPropIsAHeight(): void
    {
        $seen = static fn (?float $height, array $known = []): array => self::snapshot([new CheckMade('c',
            self::at('09'), self::at('09'), '', 'block', Side::Left, new ReadinessCheck('on', self::at('09'), true,
                true, Pain::none()), $height, $known, Side::Left)])->seen[0]->values;
        self::assertSame([Prop::KneeBlock->value => 12.0 + LegChain::HALF_KNEE], $seen(12.0));
        self::assertSame([], $seen(null));
        self::assertSame([Prop::KneeBlock->value => 9.0], $seen(12.0, [Prop::KneeBlock->value => 9.0]),
            'What was read counts for more.');
    }

    /** Every angle that the position asks for is shown at least, and all tests however old are in the series. */
    public function testWhatWasSeenCleanIsAReadingOfItsAngles(): void
    {
        $entries = [self::taken('t', '02', 14.0), new RungSeen('s', self::at('09'), self::at('09'), '', 'fold', 'high',
            Side::Left, true, Pain::none(), [], false, null)];
        $shown = array_map(static fn ($e): string => "$e->test {$e->ability->value}", self::snapshot($entries)
            ->evidence['left']);
        self::assertSame(['seen fold high rotation', 'shins-stacked rotation'], $shown);
        $old = [...$entries, self::taken('o', '01', 14.0)];
        $history = new History([self::body(), ...$old], ToolErrors::usual());
        self::assertCount(3, self::reading()->series($history, SampleBody::proportions(),
            new \DateTimeImmutable(self::NOW))['left']);
    }

    public function testChecksAreByLadderAndSideTheOldestFirst(): void
    {
        $check = static fn (string $day, Side $side): CheckMade => new CheckMade("c$day", self::at($day),
            self::at($day), '', 'fold', $side, new ReadinessCheck('low', self::at($day), true, true, Pain::none(),
                at: self::at($day)), null, [], $side);
        $checks = self::snapshot([$check('07', Side::Left), $check('05', Side::Left), $check('06', Side::Right),
            $check('12', Side::Right)])->checks;
        self::assertSame(['fold left' => ['05', '07'], 'fold right' => ['06']],
            array_map(
                static fn (array $of): array => array_map(
                    static fn (ReadinessCheck $one): string => $one->on->format('d'),
                    $of,
                ),
                $checks,
            ));
    }

    /**
     * @param list<Entry> $entries
     *
     * @return list<Hold>
     */
    private static function holds(array $entries): array
    {
        return self::reading()->holds(new History($entries, ToolErrors::usual()), new \DateTimeImmutable(self::NOW))
            ->active;
    }

    /** @param list<Entry> $entries */
    private static function snapshot(array $entries, string $day = '10'): Snapshot
    {
        return self::reading()->snapshot(new History([self::body(), ...$entries], ToolErrors::usual()), self::at($day))
            ?? self::fail();
    }

    private static function body(): BodyMeasured
    {
        return new BodyMeasured('body', new \DateTimeImmutable('2026-01-01'), new \DateTimeImmutable('2026-01-01'), '',
            SampleBody::proportions());
    }

    private static function taken(
        string $entry,
        string $day,
        float $height,
        ?Pain $pain = null,
        bool $isWatched = true,
    ): TestTaken {
        $pain ??= Pain::none();

        return new TestTaken("test:$entry", self::at($day), self::at($day), '', $entry,
            new TakenTest('shins-stacked', Side::Left, Tool::Tape, [['kneeHeight' => $height, 'ankleHeight' => 10.0]],
                [], $pain, self::at($day), at: self::at($day), id: $entry, isWatched: $isWatched));
    }

    private static function reading(): ReadHistory
    {
        $rung = static fn (string $id, float $turn, array $loads): RungDefinition => new RungDefinition($id, $id, null,
            ['rotation' => $turn], new Work($loads));

        return new ReadHistory(
            ['fold' => new PostureDefinition('fold', 'Fold', [Ability::ExternalRotation],
                [$rung('low', 20.0, ['turn-out']), $rung('high', 60.0, [Load::LoadedFold->value])], []),
                'block' => new PostureDefinition('block', 'Block', [Ability::ExternalRotation],
                    [new RungDefinition('on', 'On', null, [], new Work([]), prop: PropRule::KneeBlock)], [])],
            ['shins-stacked' => Definition::shinsStacked(), 'elbow-to-sole' => Definition::watched()],
        );
    }

    private static function at(string $day): \DateTimeImmutable
    {
        return new \DateTimeImmutable("2026-03-$day");
    }
}
