<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Testing;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\FigureFour;
use LucidAscent\Core\LegChain\Contact\LegRaise;
use LucidAscent\Core\LegChain\Contact\ShinsStacked;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Core\Testing\TrialCheck;
use LucidAscent\Core\Testing\UnreadableTest;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ReadTestTest extends TestCase
{
    public function testSolesTogetherShowsEveryAngleAtLeast(): void
    {
        $shown = self::read(Definition::solesTogether(), Definition::taken(Definition::solesTogether(),
            [['kneeHeight' => 12.0, 'heelDistance' => 10.0]]));
        $values = [];
        foreach ($shown as $e) {
            self::assertSame(Bound::AtLeast, $e->bound);
            self::assertInstanceOf(LegAngles::class, $e->position);
            $values[$e->ability->value] = $e->value;
        }
        self::assertEqualsWithDelta(['rotation' => 56.8, 'abduction' => 69.5, 'flexion' => 102.0,
            'kneeFlexion' => 160.4], $values, 0.05);
        self::assertEqualsWithDelta(3.9, $shown[0]->uncertainty->error(BodyError::measured()), 0.05);
        self::assertEqualsWithDelta(2.7, $shown[0]->uncertainty->readingError(), 0.05);
    }

    public function testShinsStackedIsolatesRotation(): void
    {
        $test = Definition::shinsStacked();
        [$rotation] = self::read($test, Definition::taken($test, [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]]));
        self::assertSame(Bound::Exact, $rotation->bound);
        self::assertEqualsWithDelta(84.2, $rotation->value, 0.05);
        self::assertEqualsWithDelta(1.4, $rotation->uncertainty->error(BodyError::measured()), 0.05);
    }

    /** @param callable(): TakenTest $taken */
    #[DataProvider('atRest')]
    public function testWhatCameToRestIsALowerBound(TestDefinition $test, callable $taken): void
    {
        [$first] = self::read($test, $taken());
        self::assertSame(Bound::AtLeast, $first->bound);
    }

    public static function atRest(): iterable
    {
        $shins = Definition::shinsStacked();
        $trial = [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]];
        yield 'the knee rests on the foot' => [$shins, static fn () => Definition::taken($shins,
            [['kneeHeight' => 10.0, 'ankleHeight' => 10.0]])];
        $beside = new TestDefinition('shins-stacked', 'Shins stacked', 8, Formula::named('shins-stacked'),
            ['rotation' => Bound::Exact], ['kneeHeight' => 'cm', 'ankleHeight' => 'cm', 'slide' => 'cm'], [], 3.0,
            beside: ['slide']);
        yield 'something may be read besides, and is not' => [$beside, static fn () => Definition::taken($beside,
            [['kneeHeight' => 10.0, 'ankleHeight' => 10.0]])];
        yield 'said to rest' => [$shins, static fn () => Definition::taken($shins, $trial, resting: true)];
        $up = new TestDefinition('legs-up-wall', 'Up', 1, Formula::named('leg-raise'), ['hamstrings' => Bound::Exact],
            ['gap' => 'cm', 'heelHeight' => 'cm'], [], 1.0);
        yield 'the seat at the wall' => [$up, static fn () => Definition::taken($up,
            [['gap' => 0.0, 'heelHeight' => 80.0]])];
    }

    public function testWhatIsFollowedIsWhatProvesNothingByItself(): void
    {
        $test = static fn (string $formula, array $proves, array $measured, array $beside = []): array => [
            ($of = new TestDefinition('t', 'T', 1, Formula::named($formula), $proves, $measured, [], 1.0,
                beside: $beside))->followed(), $of->required()];
        self::assertSame([['height', 'gap'], ['height', 'gap']], $test('observation', [], ['height' => 'cm',
            'gap' => 'cm']));
        self::assertSame([['height', 'gap'], ['height']], $test('observation', [], ['height' => 'cm', 'gap' => 'cm'],
            ['gap']));
        self::assertSame([['sideways'], ['sideways']], $test('observation', [], ['sideways' => 'degrees']));
        self::assertSame([[], ['even']], $test('observation', [], ['even' => 'yes or no']));
        self::assertSame([['slide'], ['kneeHeight', 'ankleHeight']], $test('shins-stacked',
            ['rotation' => Bound::Exact], ['kneeHeight' => 'cm', 'ankleHeight' => 'cm', 'slide' => 'cm'], ['slide']));
        self::assertSame([['hipHeight'], ['hipHeight']], $test('squat-depth', ['flexion' => Bound::AtLeast],
            ['hipHeight' => 'cm', 'kneeHeight' => 'cm', 'tuck' => 'degrees']));
    }

    public function testWhatIsCompensatedForOrHurtsProvesNothing(): void
    {
        $shins = Definition::shinsStacked();
        $trial = [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]];
        self::assertSame([], self::read($shins, Definition::taken($shins, $trial, ['ankle-slid'])),
            'Many compensations flatter.');
        self::assertSame([], self::read($shins, Definition::taken($shins, $trial, [], 1)));
        $with = static fn (Pain $pain): TakenTest => new TakenTest('shins-stacked', Side::Left, Tool::Tape, $trial, [],
            $pain);
        self::assertCount(1, self::read($shins, $with(new Pain(3, PainPlace::OuterHip, PainKind::Stretch))),
            'A stretch is what a muscle says.');
        self::assertSame([], self::read($shins, $with(new Pain(5, PainPlace::OuterHip, PainKind::Stretch))));
        self::assertSame([], self::read($shins, $with(new Pain(1, PainPlace::Knee, PainKind::Stretch))));
        self::assertSame([], self::read($shins, $with(new Pain(0, PainPlace::Ankle, PainKind::LastingNumbness))));
    }

    /** Check values of an independent program; all errors, and reading errors alone. */
    #[DataProvider('hugs')]
    public function testTheKneeHugReadsHowFarTheHipFolds(
        float $knee,
        float $past,
        float $degrees,
        ?float $all = null,
        ?float $reading = null,
    ): void {
        $hug = new TestDefinition('knee-hug', 'Knee hug', 2, Formula::named('knee-hug'), ['flexion' => Bound::Exact],
            ['kneeHeight' => 'cm', 'past' => 'yes or no'], [], 2.0);
        $taken = Definition::taken($hug, [['kneeHeight' => $knee, 'past' => $past]]);
        [$flexion] = ReadTest::evidence($hug, $taken, new Body(41.2, 41.3, 17.0, 9.0, 6.6, 0.055 * 168),
            ToolErrors::usual());
        self::assertSame([Ability::Flexion, Bound::Exact, true],
            [$flexion->ability, $flexion->bound, $flexion->isIsolating]);
        self::assertEqualsWithDelta($degrees, $flexion->value, 0.05);
        if (null !== $all && null !== $reading) {
            self::assertEqualsWithDelta($all, $flexion->uncertainty->error(BodyError::measured()), 0.05);
            self::assertEqualsWithDelta($reading, $flexion->uncertainty->readingError(), 0.05);
        }
    }

    /** After a stop was lifted a test comes first: one that isolates, that a teacher saw, and that came to its end. */
    public function testWhichReadingAnswersAWord(): void
    {
        $body = new Body(41.2, 41.3, 17.0, 9.0, 6.6, 9.0);
        $answers = static fn (TestDefinition $test, array $trial, ?bool $resting = null,
            bool $isWatched = true): array => array_map(static fn (Evidence $e): bool => $e->answersAWord(),
                ReadTest::evidence($test, new TakenTest($test->id, Side::Left, Tool::Tape, [$trial],
                    resting: $resting, isWatched: $isWatched), $body, ToolErrors::usual()));
        $stacked = ['kneeHeight' => 20.0, 'ankleHeight' => 10.0];
        self::assertSame([true], $answers(Definition::shinsStacked(), $stacked));
        self::assertSame([false], $answers(Definition::shinsStacked(), $stacked, isWatched: false));
        self::assertSame([false], $answers(Definition::shinsStacked(), $stacked, true));
        self::assertNotContains(true, $answers(Definition::solesTogether(), ['kneeHeight' => 20.0,
            'heelDistance' => 20.0]), 'It shows lower bounds alone.');
    }

    public static function hugs(): iterable
    {
        yield 'past the hip' => [44.7, 1.0, 120.6, 3.6, 1.9];
        yield 'well past it' => [35.0, 1.0, 141.3];
        yield 'before it' => [44.7, 0.0, 59.4];
        yield 'a ratio above 1 within the error is upright' => [51.4, 0.0, 90.0];
    }

    public function testNearTheVerticalTheErrorIsTakenOverTheWholeOfIt(): void
    {
        $leg = SampleBody::leg();
        foreach ([76.0, 80.0, 82.0, 82.4, 83.5] as $height) {
            $sensitivity = Sensitivity::of(new LegRaise($height), $leg);
            $ratio = $height / 82.5;
            // Sampled here anew: the height and the leg's length, nothing higher than straight up.
            $random = new \Random\Randomizer(new \Random\Engine\Mt19937(7));
            $normal = static fn (): float => sqrt(-2 * log($random->getInt(1,
                1 << 30) / (1 << 30))) * cos(2 * M_PI * $random->getInt(1, 1 << 30) / (1 << 30));
            $angles = [];
            for ($i = 0; $i < 20000; ++$i) {
                $angles[] = rad2deg(asin(min(1.0, ($height + 0.7 * $normal()) / (82.5 + hypot(1.0, 0.7) * $normal()))));
            }
            $mean = array_sum($angles) / count($angles);
            $sd = sqrt(array_sum(array_map(static fn (float $a): float => ($a - $mean) ** 2,
                $angles)) / count($angles));
            if ($ratio <= 1.0 && rad2deg(asin($ratio)) > 75.0) {
                self::assertEqualsWithDelta($sd, $sensitivity->error(Component::Flexion, BodyError::measured()), 0.35,
                    "at $height cm");
            }
            self::assertLessThan(8.0, $sensitivity->error(Component::Flexion, BodyError::measured()));
        }
    }

    /** Check values of an independent program: the ankle raised until the knee hangs free reads more than 90°. */
    #[DataProvider('raised')]
    public function testShinsStackedWithTheAnkleRaised(
        float $knee,
        float $ankle,
        array $angles,
        array $all,
        array $reading,
        float $perCm,
    ): void {
        $posture = new ShinsStacked($knee, $ankle, new Sitting());
        $sensitivity = Sensitivity::of($posture, SampleBody::leg());
        foreach ([Component::Flexion, Component::Abduction, Component::ExternalRotation,
            Component::KneeFlexion] as $i => $component) {
            self::assertEqualsWithDelta($angles[$i], $posture->pose(SampleBody::leg())->angles->of($component), 0.06);
            if (isset($all[$i])) {
                self::assertEqualsWithDelta($all[$i], $sensitivity->error($component, BodyError::measured()), 0.06);
                self::assertEqualsWithDelta($reading[$i], $sensitivity->readingError($component), 0.06);
            }
        }
        self::assertEqualsWithDelta($perCm, $sensitivity->toReading(Component::ExternalRotation, 'kneeHeight'), 0.06);
    }

    public static function raised(): iterable
    {
        yield [25.0, 35.0, [113.9, 16.3, 103.0, 100.2], [1.7, 0.9, 1.4], [1.1, 0.2, 1.4], -1.5];
        yield [12.0, 30.0, [94.3, 14.2, 116.3, 100.9], [1.4, 0.9, 1.6], [1.0, 0.3, 1.6], -1.6];
    }

    public function testARaisedAnkleMakesALowKneeAReading(): void
    {
        $test = Definition::shinsStacked();
        [$rotation] = self::read($test, Definition::taken($test, [['kneeHeight' => 10.0, 'ankleHeight' => 16.0]],
            resting: false));
        self::assertSame(Bound::Exact, $rotation->bound);
        self::assertGreaterThan(90.0, $rotation->value);
    }

    public function testStraightKneesProveLessForBentOnes(): void
    {
        $test = Definition::wideLegs();
        $shown = self::read($test, Definition::taken($test, [['span' => 120.0]]));
        self::assertSame(['abduction' => Bound::AtLeast, 'straight-abduction' => Bound::Exact], self::bounds($shown));
        self::assertSame($shown[0]->value, $shown[1]->value);
        self::assertEqualsWithDelta(rad2deg(asin((60 - 8.5) / 82.5)), $shown[0]->value, 1e-9);
        [$angle] = self::read($test, Definition::taken($test, [['angle' => 41.0], ['angle' => 43.0]],
            tool: Tool::Inclinometer));
        self::assertSame(42.0, $angle->value);
        self::assertSame(2.5, $angle->uncertainty->error(BodyError::measured()),
            'No length of the body is in an angle that was read.');
    }

    public function testTheBestOfSeveralAttemptsAtBalanceCounts(): void
    {
        $test = new TestDefinition('tree-balance', 'Tree', 19, Formula::named('direct'), ['balance' => Bound::Exact],
            ['seconds' => 'seconds'], [], 2.0);
        [$balance] = self::read($test, Definition::taken($test,
            [['seconds' => 8.0], ['seconds' => 14.0], ['seconds' => 11.0]]));
        self::assertSame(14.0, $balance->value);
        self::assertSame(3.0, $balance->uncertainty->readingError());
    }

    public function testTheLargestErrorCounts(): void
    {
        $test = Definition::frog();
        $body = BodyError::of(static fn (): float => 0.0);
        $sd = static fn (array $trials, array $own = [], ?ToolErrors $errors = null): float => ReadTest::evidence(
            $test,
            new TakenTest('frog', Side::Left, Tool::Tape, $trials, ownErrors: $own),
            SampleBody::leg(),
            $errors ?? ToolErrors::usual(),
        )[0]->uncertainty->error($body);
        $tape = $sd([['span' => 80.0]]);
        self::assertEqualsWithDelta($tape, $sd([['span' => 80.0], ['span' => 80.2], ['span' => 79.8]]), 1e-9);
        self::assertEqualsWithDelta($tape * 2 / 0.7, $sd([['span' => 78.0], ['span' => 80.0], ['span' => 82.0]]), 1e-6);
        self::assertEqualsWithDelta($tape * 3 / 0.7, $sd([['span' => 80.0]], ['span' => 3.0]), 1e-6);
        self::assertEqualsWithDelta($tape * 1.4 / 0.7, $sd([['span' => 80.0]], [], ToolErrors::of(['tape' => 1.4])),
            1e-6);
    }

    public function testAThirdTrialIsAskedForWhenTwoDiffer(): void
    {
        $test = Definition::frog();
        self::assertSame([false, 0.0], ReadTest::spread($test,
            Definition::taken($test, [['span' => 80.0], ['span' => 80.0]]), ToolErrors::usual()));
        self::assertSame([false, 1.0], ReadTest::spread($test,
            Definition::taken($test, [['span' => 80.0], ['span' => 81.0]]), ToolErrors::usual()));
        self::assertSame([true, 2.0], ReadTest::spread($test,
            Definition::taken($test, [['span' => 80.0], ['span' => 82.0]]), ToolErrors::usual()));
    }

    /** @param callable(): list<Evidence> $read */
    #[DataProvider('unreadable')]
    public function testWhatCannotBeReadSaysWhy(string $because, callable $read): void
    {
        try {
            $read();
            self::fail('It was read.');
        } catch (UnreadableTest $e) {
            self::assertSame($because, $e->because);
            self::assertNotSame('', $e->getMessage());
        }
    }

    public static function unreadable(): iterable
    {
        $of = static fn (TestDefinition $test, array $trial,
            array $compensations = []): callable => static fn () => self::read($test,
                Definition::taken($test, [$trial], $compensations));
        yield 'watched' => ['watched', $of(Definition::watched(), ['even' => 1.0])];
        yield 'too wide' => ['out-of-reach', $of(Definition::frog(), ['span' => 180.0])];
        yield 'nothing read' => ['bad-input', $of(Definition::frog(), ['height' => 10.0])];
        yield 'below the floor' => ['bad-input', $of(Definition::solesTogether(),
            ['kneeHeight' => -3.0, 'heelDistance' => 20.0])];
        yield 'no such angle' => ['bad-input', $of(Definition::figureFour(), ['angle' => 240.0])];
        yield 'another test\'s compensation' => ['unknown-compensation',
            $of(Definition::frog(), ['span' => 80.0], ['ankle-slid'])];
    }

    /** The first figure was worked out by an independent program, from points alone. */
    public function testFigureFourIsReadThroughTheChain(): void
    {
        $body = SampleBody::leg();
        $turn = static fn (array $trial, string $formula = 'figure-four-lying'): float => self::read(
            Definition::figureFourByHeights($formula), Definition::taken(Definition::figureFourByHeights($formula),
                [$trial]))[0]->value;
        // The other thigh rises by 45°: 37.2 cm along it and 7 across, from the hip as it lies.
        $ankle = $body->lyingHipHeight + ($body->thigh - 4.0 + 7.0) * sqrt(0.5);
        self::assertEqualsWithDelta($turn(['kneeHeight' => 32.0, 'otherFlexion' => 45.0]),
            $turn(['kneeHeight' => 32.0, 'ankleHeight' => $ankle]), 1e-9);
        self::assertEqualsWithDelta(104.71, $turn(['kneeHeight' => 32.0, 'otherFlexion' => 45.0]), 0.01);
        // Whatever is read, the same contact asks it of the rung.
        $demand = (new KneeAtHeight(new FigureFour(45.0, Sitting::onBack()), 32.0))->pose($body)->angles->rotation;
        self::assertEqualsWithDelta($demand, $turn(['kneeHeight' => 32.0, 'otherFlexion' => 45.0]), 1e-9);
        self::assertGreaterThan($turn(['kneeHeight' => 35.0, 'ankleHeight' => 39.0]),
            $turn(['kneeHeight' => 28.0, 'ankleHeight' => 39.0]), 'A lower knee is turned further.');
        self::assertGreaterThan($turn(['kneeHeight' => 30.0, 'ankleHeight' => 35.0], 'figure-four-seated'),
            $turn(['kneeHeight' => 25.0, 'ankleHeight' => 35.0], 'figure-four-seated'));
    }

    public function testAValueThatHasTheNameOfWhatItShowsIsReadForThatAlone(): void
    {
        $both = new TestDefinition('prone-turns', 'Both turns', 9, Formula::named('direct'),
            ['neutral-inward' => Bound::Exact, 'neutral-outward' => Bound::Exact],
            ['neutralInward' => 'degrees', 'neutralOutward' => 'degrees'], [], 2.0);
        $read = static fn (array ...$trials): array => ReadTest::evidence($both, new TakenTest('prone-turns',
            Side::Left, Tool::Inclinometer, $trials), SampleBody::leg(), ToolErrors::usual());
        [$in, $out] = $read(['neutralInward' => 12.0, 'neutralOutward' => 50.0],
            ['neutralInward' => 14.0, 'neutralOutward' => 60.0]);
        self::assertSame([Ability::NeutralInward, 13.0], [$in->ability, $in->value]);
        self::assertSame([Ability::NeutralOutward, 55.0], [$out->ability, $out->value]);
        self::assertGreaterThan($in->uncertainty->error(BodyError::measured()),
            $out->uncertainty->error(BodyError::measured()), 'Each by the spread of its own.');
        $this->expectException(UnreadableTest::class);
        $read(['neutralInward' => 12.0, 'neutralOutward' => 240.0]);
    }

    public function testAnInclinationAloneShowsNoTurn(): void
    {
        foreach ([['angle' => 50.0], ['angle' => 50.0, 'ankleHeight' => 39.0]] as $trial) {
            try {
                self::read(Definition::figureFourByHeights(), Definition::taken(Definition::figureFourByHeights(),
                    [$trial]));
                self::fail('It has no zero.');
            } catch (UnreadableTest $e) {
                self::assertSame('inclination-alone', $e->because);
            }
            // Whoever shows what is on record since before asks for these, too: they say nothing, and break nothing.
            $taken = Definition::taken(Definition::figureFourByHeights(), [$trial]);
            self::assertNull(ReadTest::reading(Definition::figureFourByHeights(), $taken));
            self::assertSame(Bound::Exact, ReadTest::bound(Definition::figureFourByHeights(), $taken));
        }
    }

    public function testTheAngleIsTheAnswerWhateverElseWasMeasured(): void
    {
        $seated = new TestDefinition('figure-four-seated', 'Seated', 7, Formula::named('shin-inclination'),
            ['rotation' => Bound::Exact], ['gap' => 'cm', 'angle' => 'degrees'], [], 1.0);
        $read = static fn (array $trial): array => ReadTest::evidence($seated,
            new TakenTest('figure-four-seated', Side::Left, Tool::Tape, [$trial]), SampleBody::leg(),
            ToolErrors::usual());
        self::assertSame(48.0, $read(['gap' => 12.0, 'angle' => 48.0])[0]->value);
        try {
            $read(['gap' => 12.0]);
            self::fail('The gap alone shows nothing.');
        } catch (UnreadableTest $e) {
            self::assertStringContainsString('angle', $e->getMessage());
        }
        $hug = new TestDefinition('knee-hug', 'Knee hug', 2, Formula::named('knee-hug'), ['flexion' => Bound::Exact],
            ['kneeHeight' => 'cm', 'past' => 'yes or no'], [], 2.0);
        try {
            ReadTest::evidence($hug, new TakenTest('knee-hug', Side::Left, Tool::Tape,
                [['kneeHeight' => 40.0, 'past' => 1.0], ['kneeHeight' => 40.0, 'past' => 0.0]]), SampleBody::leg(),
                ToolErrors::usual());
            self::fail('Once past the hip and once not: which?');
        } catch (UnreadableTest $e) {
            self::assertStringContainsString('not the same in every trial', $e->getMessage());
        }
        $balance = new TestDefinition('tree-balance', 'Tree', 19, Formula::named('direct'), ['balance' => Bound::Exact],
            ['seconds' => 'seconds'], [], 2.0);
        self::assertSame(0.0, ReadTest::evidence($balance, new TakenTest('tree-balance', Side::Left, Tool::Tape,
            [['seconds' => 0.0]]), SampleBody::leg(), ToolErrors::usual())[0]->value, 'Not at all is a reading.');
        self::assertSame(3600.0, ReadTest::evidence($balance,
            new TakenTest('tree-balance', Side::Left, Tool::Tape, [['seconds' => 3600.0]]), SampleBody::leg(),
            ToolErrors::usual())[0]->value);
        foreach ([['seconds' => 3601.0], ['seconds' => -1.0]] as $trial) {
            try {
                ReadTest::evidence($balance, new TakenTest('tree-balance', Side::Left, Tool::Tape, [$trial]),
                    SampleBody::leg(), ToolErrors::usual());
                self::fail('Nobody stood so long, or for less than nothing.');
            } catch (UnreadableTest $e) {
                self::assertStringContainsString('seconds', $e->getMessage());
            }
        }
    }

    #[TestWith([-91.0, false])]
    #[TestWith([-89.0, true])]
    #[TestWith([199.0, true])]
    #[TestWith([201.0, false])]
    public function testAnAngleThatNobodyHasIsRefused(float $angle, bool $isRead): void
    {
        $read = static fn (): array => ReadTest::evidence(Definition::figureFour(),
            new TakenTest('figure-four-lying', Side::Left, Tool::Inclinometer, [['angle' => $angle]]),
            SampleBody::leg(), ToolErrors::usual());
        if (!$isRead) {
            $this->expectException(UnreadableTest::class);
        }
        self::assertCount(1, $read());
    }

    public function testABlockThatHangingHandsReachShowsNoBackBend(): void
    {
        $bend = new TestDefinition('kneeling-backbend', 'Kneeling backbend', 14, Formula::named('direct'),
            ['spine-extension' => Bound::Exact], ['blockHeight' => 'cm'], [], 1.0, bothSides: false);
        $read = static fn (float $block, Body $of): array => ReadTest::evidence($bend, new TakenTest($bend->id,
            Side::Left, Tool::Tape, [['blockHeight' => $block]]), $of, ToolErrors::usual());
        $body = SampleBody::proportions()->body(Side::Left);
        self::assertSame(32.0, $read(32.0, $body)[0]->value);
        self::assertSame(33.0, $read(33.0, SampleBody::leg())[0]->value, 'Of a leg alone nobody can say.');
        try {
            $read(33.0, $body->with(['thigh' => 1.0]));
            self::fail('They hang at 32.8 cm.');
        } catch (UnreadableTest $e) {
            self::assertSame(['no-bend', true], [$e->because, $e->isOfBody()]);
            self::assertStringContainsString('32.8 cm', $e->getMessage());
        }
        $isOfBody = static fn (TestDefinition $test, array $trial): bool => TrialCheck::isOfBody($test, $trial,
            Side::Left, Tool::Tape, new Sitting(), SampleBody::proportions());
        self::assertTrue($isOfBody($bend, ['blockHeight' => 33.0]), 'It is kept, and shows nothing.');
        self::assertFalse($isOfBody(Definition::wideLegs(), ['span' => 250.0]));
    }

    public function testToolsKnowTheirErrors(): void
    {
        $errors = ToolErrors::of(['photoAngle' => 4.0]);
        self::assertSame(0.7, $errors->sd(Tool::Tape, 'cm'));
        self::assertSame(4.0, $errors->sd(Tool::Photo, 'degrees'));
        self::assertSame(1.5, $errors->sd(Tool::Photo, 'cm'));
        self::assertSame(10.0, $errors->sd(Tool::Observation, 'degrees'));
        self::assertSame(2.5, $errors->sd(Tool::Inclinometer, 'degrees'));
        $this->expectExceptionMessage('tape');
        ToolErrors::of(['tape' => 0.0]);
    }

    /** @return list<Evidence> */
    private static function read(TestDefinition $test, TakenTest $taken): array
    {
        return ReadTest::evidence($test, $taken, SampleBody::leg(), ToolErrors::usual());
    }

    /**
     * @param list<Evidence> $shown
     *
     * @return array<string, Bound>
     */
    private static function bounds(array $shown): array
    {
        $bounds = [];
        foreach ($shown as $e) {
            $bounds[$e->ability->value] = $e->bound;
        }

        return $bounds;
    }

    public function testAHoldOfFiveMinutesIsNoLengthOfALeg(): void
    {
        self::assertTrue((new TakenTest('plank', Side::Left, Tool::Stopwatch, [['seconds' => 300.0]]))->has('seconds'));
        foreach ([['seconds' => 3601.0], ['seconds' => -1.0], ['kneeHeight' => 251.0], ['gap' => -251.0]] as $trial) {
            try {
                (new TakenTest('plank', Side::Left, Tool::Stopwatch, [$trial]))->check();
                self::fail(json_encode($trial).' was taken.');
            } catch (InvalidValue $e) {
                self::assertSame(array_key_first($trial), $e->field);
            }
        }
    }
}
