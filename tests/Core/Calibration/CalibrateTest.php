<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Calibration;

use LucidAscent\Core\Calibration\Calibrate;
use LucidAscent\Core\Calibration\Calibration;
use LucidAscent\Core\Calibration\Tally;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Tests\Core\Readiness\Demand;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\TestCase;

final class CalibrateTest extends TestCase
{
    /**
     * A pose that asks turn, opening and fold of a free knee, with the tests that read them and one that reads nothing
     * of them.
     */
    private static function calibrate(): Calibrate
    {
        $hug = new TestDefinition('knee-hug', 'Knee hug', 2, Formula::named('knee-hug'), ['flexion' => Bound::Exact],
            ['kneeHeight' => 'cm', 'past' => 'yes or no'], [], 2.0);
        $heel = new TestDefinition('heel-to-seat', 'Heel to seat', 12, Formula::named('heel-to-seat'),
            ['kneeFlexion' => Bound::Exact], ['gap' => 'cm'], [], 1.0);
        $tests = [Definition::reach(), $hug, Definition::wideLegs(), Definition::frog(),
            Definition::figureFourByHeights(), Definition::shinsStacked(), $heel];
        $posture = new PostureDefinition('half', 'Half', [Ability::ExternalRotation, Ability::Abduction,
            Ability::Flexion], [
                new RungDefinition('full', 'Full',
                    new Demand(static fn (Capacity $capacity): FreeKnee => new FreeKnee(HalfLotus::place(new Sitting()),
                        $capacity)), [], new Work(['turn-out'])),
            ], []);

        return new Calibrate(array_column($tests, null, 'id'), ['half' => $posture], ['half']);
    }

    /**
     * The verdicts deserve their words: with the errors as they are said to be, few are wrong, and chances happen as
     * often as they are stated.
     */
    public function testVerdictsAreAsTrueAsTheySay(): void
    {
        $found = self::calibrate()->run(700, 11);
        foreach ([$found->all, $found->asked] as $tally) {
            self::assertSame(1400, $tally->many());
            foreach ([State::Open, State::Short] as $state) {
                [$many, $wrong] = $tally->wrong($state);
                self::assertGreaterThan(30, $many);
                self::assertLessThan(Calibration::WRONG, $wrong);
            }
        }
        self::assertGreaterThan(93.5, $found->all->covered());
        self::assertLessThan(96.5, $found->all->covered());
        // In three parts, for there are few: nearer than the aim and what chance alone makes of so many.
        $parts = [];
        foreach ($found->all->reliability() as $tenth) {
            $part = $tenth['from'] < 30 ? 0 : ($tenth['from'] < 70 ? 1 : 2);
            $parts[$part] ??= [0, 0.0, 0.0];
            $parts[$part][0] += $tenth['verdicts'];
            $parts[$part][1] += $tenth['verdicts'] * $tenth['stated'];
            $parts[$part][2] += $tenth['verdicts'] * $tenth['happened'];
        }
        self::assertCount(3, $parts);
        foreach ($parts as $part => [$many, $stated, $happened]) {
            $share = $stated / $many;
            self::assertEqualsWithDelta($share, $happened / $many,
                Calibration::POINTS + 2.6 * sqrt($share * (100.0 - $share) / $many), "part $part of $many");
        }
        self::assertLessThan(60.0, $found->readings());
        self::assertSame(70, $found->ordered());
    }

    public function testTheSameSeedMakesTheSamePeople(): void
    {
        $one = self::calibrate()->run(12, 3);
        self::assertEquals($one, self::calibrate()->run(12, 3));
        self::assertNotEquals($one->all->reliability(), self::calibrate()->run(12, 4)->all->reliability());
    }

    public function testVerdictsAreCountedAgainstTheTruth(): void
    {
        $tally = new Tally();
        $tally->verdict(State::Open, true, 95);
        $tally->verdict(State::Open, false, 97);
        $tally->verdict(State::Short, false, 3);
        $tally->verdict(State::Short, true, 5);
        $tally->verdict(State::Near, false, 45);
        $tally->verdict(State::Unknown, true, null);
        $tally->interval('rotation', true);
        $tally->interval('rotation', false);
        $tally->interval('flexion', true);
        self::assertSame([[2, 50.0], [2, 50.0], [0, null]],
            [$tally->wrong(State::Open), $tally->wrong(State::Short), $tally->wrong(State::Held)]);
        self::assertEqualsWithDelta(100 / 6, $tally->share(State::Near), 1e-9);
        self::assertSame([
            ['from' => 0, 'to' => 10, 'verdicts' => 2, 'stated' => 4.0, 'happened' => 50.0],
            ['from' => 40, 'to' => 50, 'verdicts' => 1, 'stated' => 45.0, 'happened' => 0.0],
            ['from' => 90, 'to' => 100, 'verdicts' => 2, 'stated' => 96.0, 'happened' => 50.0],
        ], $tally->reliability());
        self::assertSame(['flexion' => ['intervals' => 1, 'covered' => 100.0],
            'rotation' => ['intervals' => 2, 'covered' => 50.0]], $tally->coverage());
        self::assertEqualsWithDelta(200 / 3, $tally->covered(), 1e-9);
    }

    /** An aim is met or missed by its value; of too few nothing is said. */
    public function testAims(): void
    {
        $all = new Tally();
        for ($i = 0; $i < 1000; ++$i) {
            $all->verdict(State::Open, $i >= 25, 96);
            $all->interval('rotation', $i >= 30);
        }
        $few = new Tally();
        $aims = (new Calibration(1000, 1, $all, $few, [4, 6], [10, 10]))->aims();
        self::assertSame(['value' => 2.5, 'met' => false], $aims['wrongOpen']);
        self::assertSame(['value' => null, 'met' => null], $aims['wrongShort']);
        self::assertSame(['value' => null, 'met' => null], $aims['wrongOpenAsWanted']);
        self::assertSame(['value' => 1.5, 'met' => true], $aims['chances']);
        self::assertSame(['value' => 97.0, 'met' => true], $aims['intervals']);
        self::assertSame(['value' => 50.0, 'met' => true], $aims['readings']);
        self::assertSame(['value' => null, 'met' => null], (new Calibration(1, 1, $few, $few, [1], [1]))
            ->aims()['chances'], 'A tenth of a few verdicts says nothing of a few points.');
        self::assertFalse((new Calibration(1, 1, $few, $few, [6], [11]))->aims()['readings']['met']);
    }
}
