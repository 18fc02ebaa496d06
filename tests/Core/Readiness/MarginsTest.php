<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotusEasy;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Readiness\AbilityMargin;
use LucidAscent\Core\Readiness\Chance;
use LucidAscent\Core\Readiness\GateOutcome;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Statistics\Normal;
use LucidAscent\Core\Testing\AbilityReadings;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\KneelingBackbend;
use LucidAscent\Core\Testing\MeasuredCapacity;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MarginsTest extends TestCase
{
    /** @param array<string, array<string, float>> $tests */
    #[DataProvider('known')]
    public function testWhatCapacityAndDemandShareOfTheBodyCancels(
        array $tests,
        KneeAtHeight $asked,
        Component $component,
        float $sd,
    ): void {
        $person = Person::of(array_map(static fn (array $trial): array => [$trial], $tests));
        $body = SampleBody::leg();
        $margin = AbilityMargin::of(
            Ability::ofComponent($component),
            $person->capacities(Side::Left)->get(Ability::ofComponent($component)),
            $asked->angles($body)[$component->value],
            Sensitivity::of($asked, $body)->withReadingErrors(['kneeHeight' => 0.0])->uncertainty($component),
            BodyError::measured(),
            SampleBody::proportions(),
            false,
        );
        self::assertEqualsWithDelta($sd, $margin->error, 0.15);
    }

    /** Standard deviations found by sampling 20,000 draws with the body's errors shared. */
    public static function known(): iterable
    {
        $deep = new KneeAtHeight(HalfLotus::place(new Sitting()), 12.0);
        yield [['shins-stacked' => ['kneeHeight' => 14.0, 'ankleHeight' => 10.0]],
            new KneeAtHeight(HalfLotusEasy::place(new Sitting()), 16.0), Component::ExternalRotation, 2.1];
        yield [['soles-together' => ['kneeHeight' => 12.0, 'heelDistance' => 20.0]], $deep, Component::ExternalRotation,
            2.8];
        yield [['soles-together' => ['kneeHeight' => 12.0, 'heelDistance' => 20.0]], $deep, Component::Flexion, 3.0];
    }

    #[DataProvider('states')]
    public function testAMarginsState(State $expected, float $shown, Bound $bound, bool $isTooOld = false): void
    {
        self::assertSame($expected, self::margin($shown, 2.0, $bound, 'reading', $isTooOld)->state());
    }

    public static function states(): iterable
    {
        // A margin is a difference already: noise explains 1.96 · 2 = 3.92 degrees against 80.
        yield [State::Open, 84.0, Bound::Exact];
        yield [State::Near, 83.9, Bound::Exact];
        yield [State::Near, 76.1, Bound::Exact];
        yield [State::Short, 76.0, Bound::Exact];
        yield 'a lower bound opens' => [State::Open, 86.0, Bound::AtLeast];
        yield 'and never falls short' => [State::Unknown, 60.0, Bound::AtLeast];
        yield 'too old' => [State::Unknown, 120.0, Bound::Exact, true];
    }

    public function testWhatNobodyReadIsUnknown(): void
    {
        $margin = AbilityMargin::of(Ability::ExternalRotation, null, 80.0, Uncertainty::none(), BodyError::measured(),
            SampleBody::proportions(), false);
        self::assertSame(State::Unknown, $margin->state());
        self::assertNull(Chance::allPositive([$margin], BodyError::measured()));
    }

    public function testTheChanceOfOneMarginIsTheNormalDistributions(): void
    {
        self::assertEqualsWithDelta(0.8413447, Chance::allPositive([self::margin(82.0, 2.0)], BodyError::measured()),
            1e-6);
        self::assertEqualsWithDelta(0.5, Normal::below(0.0), 1e-7);
        self::assertEqualsWithDelta(0.9750021, Normal::below(1.96), 1e-6);
        self::assertEqualsWithDelta(0.0013499, Normal::below(-3.0), 1e-6);
    }

    /** A reading that was raised to a lower bound: the highest of several is more likely too high than not. */
    public function testAChanceGoesByTheIsolatingTestsUntilItIsSettled(): void
    {
        $raised = static fn (Ability $ability, float $exact, float $bound): MeasuredCapacity => (new AbilityReadings([
            new Evidence($ability, $exact, Bound::Exact, Uncertainty::ofReading(1.0, 'one'), 'isolates'),
            new Evidence($ability, $bound, Bound::AtLeast, Uncertainty::ofReading(2.0, 'other'), 'bounds'),
        ], BodyError::measured()))->capacity();
        $chance = static fn (Ability $ability, float $exact, float $bound, float $asked): ?float => Chance::allPositive(
            [AbilityMargin::of($ability, $raised($ability, $exact, $bound), $asked, Uncertainty::none(),
                BodyError::measured(), SampleBody::proportions(), false)], BodyError::measured());
        $turn = Ability::ExternalRotation;
        self::assertSame(86.0, $raised($turn, 84.0, 86.0)->value);
        self::assertEqualsWithDelta(Normal::below(-1.0), $chance($turn, 84.0, 86.0, 85.0), 1e-6);
        self::assertEqualsWithDelta(Normal::below(-2.5), $chance($turn, 84.0, 86.0, 86.5), 1e-6);
        self::assertGreaterThan(0.97, $chance($turn, 80.0, 82.0, 78.0), 'Open as it stands: so it is believed.');
        // Fingers 6 cm apart, then seen 4 cm apart; a strap of 5 cm is asked for.
        self::assertEqualsWithDelta(Normal::below(-1.0), $chance(Ability::ShoulderReach, 6.0, 4.0, -5.0), 1e-6);
    }

    public function testMarginsOfOwnReadingsMultiplyAndThoseOfOneReadingDoNot(): void
    {
        $p = Normal::below(0.5);
        $apart = Chance::allPositive([self::margin(81.0, 2.0, name: 'one'), self::margin(81.0, 2.0, name: 'other')],
            BodyError::measured());
        self::assertEqualsWithDelta($p * $p, $apart, 0.02);
        $same = Chance::allPositive([self::margin(81.0, 2.0, name: 'one'), self::margin(81.0, 2.0, name: 'one')],
            BodyError::measured());
        self::assertEqualsWithDelta($p, $same, 0.02);
        self::assertSame($same, Chance::allPositive([self::margin(81.0, 2.0, name: 'one'),
            self::margin(81.0, 2.0, name: 'one')], BodyError::measured()), 'the same draws each time');
    }

    public function testALowerBlockIsADeeperBackbend(): void
    {
        $back = KneelingBackbend::of($own = SampleBody::proportions());
        $bend = array_map($back->degrees(...), [30.0, 20.0, 10.0, 0.0]);
        self::assertSame($bend, array_values(array_unique($bend)));
        self::assertTrue($bend[0] < $bend[1] && $bend[1] < $bend[2] && $bend[2] < $bend[3]);
        $capacity = self::capacity(Ability::SpineExtension, 10.0, 0.7);
        $margin = AbilityMargin::of(Ability::SpineExtension, $capacity, 40.0, Uncertainty::none(),
            $own->error(Side::Left), $own, false);
        self::assertSame('degrees', $margin->unit());
        self::assertEqualsWithDelta($bend[2] - 40.0, $margin->difference(), 1e-9);
        $sure = $back->read(10.0, Uncertainty::ofReading(0.7))[1]->error($own->error(Side::Left));
        self::assertEqualsWithDelta($sure, $margin->error, 1e-9, 'As sure as the bend that is read from it.');
    }

    public function testABackThatNeedNotBendIsNeverInDoubt(): void
    {
        $own = SampleBody::proportions();
        $state = static fn (float $asked): State => AbilityMargin::of(Ability::SpineExtension,
            self::capacity(Ability::SpineExtension, 32.0, 0.7), $asked, Uncertainty::none(), $own->error(Side::Left),
            $own, false)->state();
        self::assertSame([State::Open, State::Near], [$state(0.0), $state(1.0)]);
    }

    public function testHandsThatOverlapReachFurther(): void
    {
        $reach = static fn (float $gap): float => AbilityMargin::of(Ability::ShoulderReach,
            self::capacity(Ability::ShoulderReach, $gap, 0.7), -10.0, Uncertainty::none(), BodyError::measured(),
            SampleBody::proportions(), false)->difference();
        self::assertSame(0.7, AbilityMargin::of(Ability::ShoulderReach,
            self::capacity(Ability::ShoulderReach, 8.0, 0.7), -10.0, Uncertainty::none(), BodyError::measured(),
            SampleBody::proportions(), false)->error, 'A gap is off by what the tape is off by.');
        self::assertSame(2.0, $reach(8.0));
        self::assertSame(-2.0, $reach(12.0));
    }

    private static function margin(
        float $shown,
        float $sd,
        Bound $bound = Bound::Exact,
        string $name = 'reading',
        bool $isTooOld = false,
    ): AbilityMargin {
        return AbilityMargin::of(Ability::ExternalRotation,
            self::capacity(Ability::ExternalRotation, $shown, $sd, $bound, $name), 80.0, Uncertainty::none(),
            BodyError::measured(), SampleBody::proportions(), $isTooOld);
    }

    public function testRoundingDecidesNothing(): void
    {
        $margin = static fn (float $asked): AbilityMargin => AbilityMargin::of(Ability::ExternalRotation,
            self::capacity(Ability::ExternalRotation, 80.0, 0.0), $asked, Uncertainty::none(), BodyError::measured(),
            SampleBody::proportions(), false);
        foreach ([80.0 - 1e-11, 80.0, 80.0 + 1e-11, 80.0 + 5e-7] as $asked) {
            self::assertSame(State::Open, $margin($asked)->state(), 'What was shown exactly is there.');
        }
        self::assertSame(State::Short, $margin(80.01)->state());
    }

    private static function capacity(
        Ability $ability,
        float $value,
        float $sd,
        Bound $bound = Bound::Exact,
        string $name = 'reading',
    ): MeasuredCapacity {
        return (new AbilityReadings([new Evidence($ability, $value, $bound, Uncertainty::ofReading($sd, $name),
            'a-test')], BodyError::measured()))->capacity();
    }

    public function testAChanceIsStatedOnlyOfWhatIsSettled(): void
    {
        self::assertTrue(self::margin(81.0, 2.0)->isSettled());
        self::assertFalse(self::margin(81.0, 2.0, isTooOld: true)->isSettled());
        self::assertFalse(self::margin(60.0, 2.0, Bound::AtLeast)->isSettled());
        self::assertFalse(self::margin(81.0, INF)->isSettled());
        self::assertFalse(AbilityMargin::of(Ability::ExternalRotation, null, 80.0, Uncertainty::none(),
            BodyError::measured(), SampleBody::proportions(), false)->isSettled());
        self::assertSame(State::Open, self::margin(80.0, 0.0, Bound::AtLeast)->state(),
            'Just enough, and known without error.');
        self::assertEqualsWithDelta(0.0, Chance::allPositive([self::margin(70.0, 0.5, name: 'one'),
            self::margin(90.0, 0.5, name: 'other')], BodyError::measured()), 1e-6);
        self::assertSame(1.0, Chance::allPositive([self::margin(90.0, 0.5, name: 'one'),
            self::margin(90.0, 0.5, name: 'other')], BodyError::measured()));
    }

    public function testWhatNobodyReadHasNoErrorAndNoAge(): void
    {
        $unread = AbilityMargin::of(Ability::ExternalRotation, null, 80.0, Uncertainty::none(), BodyError::measured(),
            SampleBody::proportions(), true);
        self::assertSame([0.0, false, null, -INF], [$unread->error, $unread->isTooOld, $unread->shown,
            $unread->difference()]);
    }

    public function testStatesAreInOrder(): void
    {
        $order = [State::Open, State::Near, State::Unknown, State::Short, State::Held];
        foreach ($order as $i => $better) {
            self::assertSame($i < 2, $better->isInReach());
            self::assertSame(0, $better->compare($better));
            self::assertSame($better, $better->worse($better));
            foreach (array_slice($order, $i + 1) as $worse) {
                self::assertSame([$worse, $worse], [$better->worse($worse), $worse->worse($better)]);
                self::assertLessThan(0, $better->compare($worse));
                self::assertGreaterThan(0, $worse->compare($better));
            }
        }
        $gates = [GateOutcome::NotNow, GateOutcome::Supported, GateOutcome::MayTry];
        foreach ($gates as $i => $found) {
            foreach ($gates as $j => $needed) {
                self::assertSame($i >= $j, $found->allows($needed));
            }
        }
    }
}
