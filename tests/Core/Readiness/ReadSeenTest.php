<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotusEasy;
use LucidAscent\Core\LegChain\Contact\ShinsStacked;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\ReadSeen;
use LucidAscent\Core\Readiness\RungReading;
use LucidAscent\Core\Readiness\ShownByTest;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Tests\Core\SampleBody;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\TestCase;

/** What was seen, read as angles of this body. */
final class ReadSeenTest extends TestCase
{
    public function testACleanRungShowsEveryAngleThatItAsksAtLeast(): void
    {
        $shown = self::shown(self::seen(), self::rung(self::halfLotusAt(10.0)));
        $asked = (new KneeAtHeight(HalfLotus::place(new Sitting()), 10.0))->angles(SampleBody::leg());
        self::assertCount(4, $shown);
        foreach ($shown as $e) {
            self::assertEqualsWithDelta($asked[$e->ability->value], $e->value, 1e-9);
            self::assertSame([Bound::AtLeast, 'seen half-lotus low', '2026-03-05'],
                [$e->bound, $e->test, $e->on?->format('Y-m-d')]);
            self::assertNotNull($e->position);
            self::assertGreaterThan(0.0, $e->uncertainty->error(SampleBody::proportions()->error(Side::Left)));
        }
    }

    public function testALimbThatHungOnNothingElseIsExact(): void
    {
        foreach (self::shown(self::seen(hangs: true), self::rung(self::halfLotusAt(10.0))) as $e) {
            self::assertSame(Bound::Exact, $e->bound);
        }
    }

    public function testAHeightThatWasReadIsTheHeight(): void
    {
        $at = static fn (float $height): float => self::ability(Ability::ExternalRotation,
            self::shown(self::seen(values: ['kneeHeight' => $height]), self::rung(self::halfLotusAt(10.0))));
        self::assertEqualsWithDelta((new KneeAtHeight(HalfLotus::place(new Sitting()), 17.0))
            ->angles(SampleBody::leg())['rotation'], $at(17.0), 1e-9);
        self::assertGreaterThan($at(20.0), $at(12.0), 'A lower knee shows more turn.');
        self::assertCount(4, self::shown(self::seen(values: ['unheard-of' => 3.0]),
            self::rung(self::halfLotusAt(10.0))), 'A number that the position has not is passed over.');
    }

    public function testNothingIsReadOffWhatWasNotCleanOrWasShownByADeeperOne(): void
    {
        self::assertSame([], self::shown(self::seen(isClean: false), self::rung(self::halfLotusAt(10.0))));
        self::assertSame([], self::shown(self::seen(shows: false), self::rung(self::halfLotusAt(10.0))));
    }

    public function testWhereTheKneeIsFreeNobodyCanSayWhereItWas(): void
    {
        $free = new Demand(static fn (Capacity $capacity): FreeKnee => new FreeKnee(HalfLotus::place(new Sitting()),
            $capacity));
        self::assertSame([], self::shown(self::seen(), self::rung($free)));
        self::assertCount(1, self::shown(self::seen(), self::rung($free, ['balance' => 10.0])),
            'What was asked beside it is shown.');
    }

    public function testThresholdsAreShownAtLeastHoweverItHung(): void
    {
        $shown = self::shown(self::seen(hangs: true), self::rung(null, ['rotation' => 40.0, 'abduction' => 30.0]));
        self::assertSame([['rotation', 40.0, Bound::AtLeast], ['abduction', 30.0, Bound::AtLeast]],
            array_map(static fn (Evidence $e): array => [$e->ability->value, $e->value, $e->bound], $shown));
    }

    /** The planted leg, or the one behind: it was in its place all the while. */
    public function testTheOtherLegsPartIsShownOnThatSide(): void
    {
        $rung = new RungDefinition('low', 'Low', self::halfLotusAt(10.0), [], new Work(['turn-out'], false),
            otherLeg: ['extension' => 12.0], otherDemand: self::halfLotusAt(20.0));
        $seen = self::seen(values: ['kneeHeight' => 14.0], hangs: true);
        $other = ReadSeen::ofOtherLeg($seen, $rung, SampleBody::proportions());
        self::assertEqualsWithDelta(12.0, self::ability(Ability::Extension, $other), 1e-9);
        $asked = (new KneeAtHeight(HalfLotus::place(new Sitting()), 20.0))->angles(SampleBody::leg());
        self::assertEqualsWithDelta($asked['rotation'], self::ability(Ability::ExternalRotation, $other), 1e-9,
            'What was read is of the side itself.');
        foreach ($other as $e) {
            self::assertSame(Bound::AtLeast, $e->bound, 'Nobody said that this one hung.');
        }
        self::assertSame([], ReadSeen::ofOtherLeg(self::seen(isClean: false), $rung, SampleBody::proportions()));
    }

    public function testABlockOfAHeightThatNobodyReadShowsNoAngle(): void
    {
        self::assertSame([], self::shown(self::seen(), self::rung(self::halfLotusAt(10.0), prop: PropRule::KneeBlock)));
        self::assertCount(4, self::shown(self::seen(values: ['kneeHeight' => 17.0]),
            self::rung(self::halfLotusAt(10.0), prop: PropRule::KneeBlock)));
    }

    public function testAPositionThatThisBodyCannotBeInShowsNothing(): void
    {
        self::assertSame([], self::shown(self::seen(values: ['kneeHeight' => 90.0]),
            self::rung(self::halfLotusAt(10.0))));
    }

    public function testATestShowsTheRungsThatAreSetUpLikeItAndGoNoDeeper(): void
    {
        $demand = static fn (float $knee, float $ankle, string $contact =
            'shins-stacked'): Demand => new Demand(static fn (Capacity $c): Posture => new ShinsStacked($knee, $ankle,
                new Sitting()), $contact, ['kneeHeight' => $knee, 'ankleHeight' => $ankle]);
        $posture = new PostureDefinition('stack', 'Stack', [Ability::ExternalRotation], [
            self::rung($demand(24.0, 10.0), id: 'high-knee'),
            self::rung($demand(15.5, 10.0), id: 'within-the-tape'),
            self::rung($demand(15.0, 10.0), id: 'lower-knee'),
            self::rung($demand(24.0, 10.0, 'another'), id: 'another-position'),
            self::rung(null, ['rotation' => 10.0], id: 'no-position'),
        ], []);
        $taken = Definition::taken(Definition::shinsStacked(), [['kneeHeight' => 16.0, 'ankleHeight' => 10.0]]);
        $shown = ShownByTest::rungs(Definition::shinsStacked(), $taken, $posture);
        self::assertSame(['high-knee', 'within-the-tape'], array_map(static fn (Seen $seen): string => $seen->rung,
            $shown));
        self::assertSame([true, false, 'stack', Side::Left],
            [$shown[0]->isClean, $shown[0]->showsAngles, $shown[0]->posture, $shown[0]->side]);
        self::assertSame([], ShownByTest::rungs(Definition::shinsStacked(),
            Definition::taken(Definition::shinsStacked(), [['kneeHeight' => 16.0, 'ankleHeight' => 10.0]],
                ['ankle-slid']), $posture), 'Not what was compensated.');
        self::assertSame([], ShownByTest::rungs(Definition::shinsStacked(),
            Definition::taken(Definition::shinsStacked(), [['kneeHeight' => 16.0, 'ankleHeight' => 10.0]], [], 3),
            $posture), 'Nor what hurt.');
        $spans = new PostureDefinition('wide', 'Wide', [Ability::Abduction], [
            self::rung(new Demand(static fn (): KneeAtHeight => throw new \LogicException(), 'frog', ['span' => 80.0]),
                id: 'narrow'),
            self::rung(new Demand(static fn (): KneeAtHeight => throw new \LogicException(), 'frog', ['span' => 95.0]),
                id: 'wide'),
            self::rung(new Demand(static fn (): KneeAtHeight => throw new \LogicException(), 'frog',
                ['span' => 80.0, 'unread' => 1.0]), id: 'more-than-was-read'),
        ], []);
        self::assertSame(['narrow'], array_map(static fn (Seen $seen): string => $seen->rung,
            ShownByTest::rungs(Definition::frog(), Definition::taken(Definition::frog(), [['span' => 90.0]]), $spans)));
    }

    public function testTheBlockUnderAKneeIsAsHighAsThisSideNeeds(): void
    {
        // Turn of about 84° and no more; so a foot on the middle of the thigh asks for a knee well above the floor.
        $easy = new Demand(
            static fn (Capacity $c): KneeAtHeight => new KneeAtHeight(HalfLotusEasy::place(new Sitting()), 8.0),
        );
        $reading = self::reading(self::rung($easy, prop: PropRule::KneeBlock),
            ['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]], 'frog' => [['span' => 90.0]]]);
        self::assertNotNull($reading->propHeight);
        $open = $reading->pose;
        self::assertNotNull($open);
        self::assertEqualsWithDelta($open->knee->z - LegChain::HALF_KNEE, $reading->propHeight, 1e-9,
            'The top of the block is half a knee below its middle.');
        self::assertGreaterThan(10.0, $reading->propHeight);
        self::assertNull(self::reading(self::rung($easy, prop: PropRule::KneeBlock), [])->propHeight,
            'Nothing known: no height.');
        self::assertNull(self::reading(self::rung($easy), ['shins-stacked' => [['kneeHeight' => 14.0,
            'ankleHeight' => 10.0]]])->propHeight, 'No block: no height.');
    }

    public function testABodyThatCannotBeThereIsShortAndSaysSo(): void
    {
        $pose = (new ReadPoses(['half-lotus' => new PostureDefinition('half-lotus', 'Half lotus',
            [Ability::ExternalRotation], [self::rung(self::halfLotusAt(90.0))], [])],
            Person::of(['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]]]), []))
            ->of('half-lotus', Side::Left);
        self::assertTrue($pose->full()->isImpossible);
        self::assertSame(State::Short, $pose->state());
        self::assertSame(['body.cannot'], array_map(static fn ($reason): string => $reason->code, $pose->reasons()));
        self::assertSame(['body.cannot'], array_map(static fn ($reason): string => $reason->code, $pose->onLadder()
            ->bars));
    }

    public function testAnAbilityThatIsNotThePosturesOwnCountsOnceItIsKnownExactly(): void
    {
        $names = static fn (array $tests): array => array_map(static fn ($margin): string => $margin->ability->value,
            self::reading(self::rung(self::halfLotusAt(10.0)), $tests)->margins);
        self::assertSame(['rotation'], $names(['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]]]));
        self::assertContains('abduction', $names(['frog' => [['span' => 90.0]]]));
        self::assertNotContains('abduction', $names(['soles-together' => [['kneeHeight' => 14.0,
            'heelDistance' => 20.0]]]), 'Not by a lower bound.');
    }

    /** @param array<string, non-empty-list<array<string, float>>> $tests */
    private static function reading(RungDefinition $rung, array $tests): RungReading
    {
        return (new ReadPoses(['half-lotus' => new PostureDefinition('half-lotus', 'Half lotus',
            [Ability::ExternalRotation], [$rung], [])], self::person($tests), []))->of('half-lotus', Side::Left)
            ->full();
    }

    /** @param array<string, non-empty-list<array<string, float>>> $tests */
    private static function person(array $tests): Snapshot
    {
        return Person::of($tests);
    }

    /** @return list<Evidence> */
    private static function shown(Seen $seen, RungDefinition $rung): array
    {
        return ReadSeen::evidence($seen, $rung, SampleBody::proportions());
    }

    /** @param list<Evidence> $shown */
    private static function ability(Ability $ability, array $shown): float
    {
        foreach ($shown as $e) {
            if ($e->ability === $ability) {
                return $e->value;
            }
        }
        self::fail("$ability->value is not shown.");
    }

    private static function halfLotusAt(float $knee): Demand
    {
        return new Demand(static fn (Capacity $c): KneeAtHeight => new KneeAtHeight(HalfLotus::place(new Sitting()),
            $knee));
    }

    /** @param array<string, float> $thresholds */
    private static function rung(
        ?Demand $demand,
        array $thresholds = [],
        PropRule $prop = PropRule::None,
        string $id = 'low',
    ): RungDefinition {
        return new RungDefinition($id, $id, $demand, $thresholds, new Work(['turn-out'], false), $prop);
    }

    /** @param array<string, float> $values */
    private static function seen(
        bool $isClean = true,
        array $values = [],
        bool $hangs = false,
        bool $shows = true,
    ): Seen {
        return new Seen('half-lotus', 'low', Side::Left, $isClean, new \DateTimeImmutable('2026-03-05'), null, $values,
            $hangs, $shows);
    }
}
