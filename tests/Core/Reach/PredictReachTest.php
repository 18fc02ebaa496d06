<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Reach;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Arm\ByAngles as ArmByAngles;
use LucidAscent\Core\Figure\HipHeight;
use LucidAscent\Core\Figure\Leg\ByAngles;
use LucidAscent\Core\Figure\Pose;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Contact\DeepPigeonBack;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Posture\Reach;
use LucidAscent\Core\Posture\ReachKind;
use LucidAscent\Core\Reach\DrawnReach;
use LucidAscent\Core\Reach\OverUnder;
use LucidAscent\Core\Reach\StrapOverhead;
use LucidAscent\Core\Readiness\Grip;
use LucidAscent\Core\Readiness\PredictedReach;
use LucidAscent\Core\Readiness\PredictReach;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Tests\Core\Readiness\Demand;
use LucidAscent\Tests\Core\Readiness\Person;
use PHPUnit\Framework\TestCase;

/** How far a hand gets: by the lengths of a body, by what its joints give, and with what error. */
final class PredictReachTest extends TestCase
{
    private const STATURE = 170.0;
    private const ARMS = ['shoulderToFingertips.left' => 74.8, 'shoulderToFingertips.right' => 74.8];

    public function testHandsBehindTheBackAreAsFarApartAsTheyWereRead(): void
    {
        foreach ([14.0, 2.0, -12.0] as $gap) {
            $reach = self::predicted(new OverUnder(), [[Ability::ShoulderReach, $gap]]);
            self::assertEqualsWithDelta($gap, $reach->gap, 1e-9);
            self::assertSame([], $reach->unread);
        }
        $unread = self::predicted(new OverUnder(), []);
        self::assertSame([Ability::ShoulderReach], $unread->unread);
        self::assertLessThan(0.0, $unread->gap, 'Where shoulders set no limit the fingers of most overlap.');
    }

    public function testALowerBoundTellsWhereItIsEnough(): void
    {
        $fold = self::fold(90.0);
        $enough = self::predicted($fold, [[Ability::Hamstrings, 95.0, Bound::AtLeast]]);
        self::assertSame([], $enough->unread);
        $less = self::predicted($fold, [[Ability::Hamstrings, 80.0, Bound::AtLeast]]);
        self::assertSame([Ability::Hamstrings], $less->unread);
        self::assertEqualsWithDelta($enough->gap, $less->gap, 1e-9, 'What is not known is taken to be enough.');
        self::assertSame('yes', $less->reasons()[0]->numbers['best']);
        self::assertSame('no', $enough->reasons()[0]->numbers['best']);
    }

    public function testWhatTheJointDoesNotGiveIsToldFromWhatTheArmsAreShort(): void
    {
        $fold = self::fold(100.0);
        $usual = self::predicted($fold, [[Ability::Hamstrings, 100.0]]);
        $stiff = self::predicted($fold, [[Ability::Hamstrings, 70.0]]);
        self::assertEqualsWithDelta($stiff->gap - $usual->gap, $stiff->ofJoints['hamstrings'], 1e-9);
        self::assertGreaterThan(10.0, $stiff->ofJoints['hamstrings']);
        self::assertEqualsWithDelta(0.0, $stiff->ofArms, 1e-9);
        self::assertSame(['reach.hold', 'reach.stiff'], self::codes($stiff));

        $short = self::predicted($fold, [[Ability::Hamstrings, 100.0]], ['shoulderToFingertips.left' => 68.8,
            'shoulderToFingertips.right' => 68.8]);
        self::assertEqualsWithDelta(6.0, $short->ofArms, 1e-9);
        self::assertEqualsWithDelta($usual->gap + 6.0, $short->gap, 1e-9);
        self::assertSame([], $short->ofJoints);
        self::assertSame(['reach.hold', 'reach.arms'], self::codes($short));

        $tall = self::predicted($fold, [[Ability::Hamstrings, 100.0]], self::ARMS + ['seatToShoulder' => 62.0]);
        self::assertGreaterThan($usual->gap, $tall->gap, 'A long trunk is further from the foot at a right angle.');
        $estimated = self::predicted($fold, [[Ability::Hamstrings, 100.0]], []);
        self::assertNull($estimated->ofArms);
        self::assertContains('reach.estimated', self::codes($estimated));
        self::assertGreaterThan($usual->error, $estimated->error, 'Measured arms tell more.');
    }

    public function testAnArmThatMeetsNothingIsBlamedForNothing(): void
    {
        $reached = self::predicted(self::fold(130.0), [[Ability::Hamstrings, 127.0]],
            ['shoulderToFingertips.left' => 72.0, 'shoulderToFingertips.right' => 72.0]);
        self::assertLessThanOrEqual(0.0, $reached->gap);
        self::assertSame(['reach.hold'], self::codes($reached));
    }

    public function testATwistOrASideBendThatIsMissingLeavesTheHandShort(): void
    {
        foreach ([[Ability::SpineRotation, 40.0, 0.0], [Ability::SideBend, 0.0, 40.0]] as [$ability, $twist, $side]) {
            // The right hand to the left foot: turned and bent to the left it comes nearer.
            $reach = new DrawnReach(ReachKind::Hold, self::pose(95.0, $twist, $side), false, 'other-ankle');
            $all = [[Ability::SpineRotation, 50.0], [Ability::SideBend, 50.0], [Ability::Hamstrings, 120.0],
                [Ability::ShoulderFlexion, 180.0]];
            $less = array_map(static fn (array $one): array => $one[0] === $ability ? [$ability, 15.0] : $one, $all);
            $reached = self::predicted($reach, $all);
            $missing = self::predicted($reach, $less);
            self::assertSame([$ability->value], array_keys($missing->ofJoints));
            self::assertGreaterThan($reached->gap + 2.0, $missing->gap, $ability->value);
        }
    }

    public function testABindIsAllTheLongerForALegInTheWayAndForStiffShoulders(): void
    {
        $sitting = new Pose(HipHeight::Sits, 0.0, 0.0, 0.0, 0.0, 30.0, 0.0, 0.0, 0.0, 0.0, self::leg(110.0, 120.0),
            self::leg(90.0), new ArmByAngles(0.0, 20.0), new ArmByAngles(0.0, 20.0));
        $gap = static fn (?string $round, float $shoulders = -5.0): float => self::predicted(
            new DrawnReach(ReachKind::Clasp, $sitting, true, '', $round),
            [[Ability::Flexion, 130.0], [Ability::ShoulderReach, $shoulders]],
        )->gap;
        self::assertGreaterThan($gap(null) + 10.0, $gap('shin'));
        self::assertGreaterThan($gap('thigh'), $gap('shin'));
        self::assertEqualsWithDelta($gap('shin', 6.0) + 9.0, $gap('shin', 15.0), 1e-9);
        $stiff = self::predicted(new DrawnReach(ReachKind::Clasp, $sitting, true, '', 'shin'),
            [[Ability::Flexion, 95.0], [Ability::ShoulderReach, -5.0]]);
        self::assertGreaterThan($gap('shin') + 2.0, $stiff->gap);
        self::assertSame('reach.clasp', $stiff->reasons()[0]->code);
    }

    public function testFingersComeToTheFloorByTrunkAndArms(): void
    {
        $fold = static fn (float $tilt): DrawnReach => new DrawnReach(ReachKind::Floor, new Pose(HipHeight::Stands,
            $tilt, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, self::leg($tilt), self::leg($tilt),
            new ArmByAngles(0.0, 0.0), new ArmByAngles(0.0, 0.0)), true, '');
        $flat = self::predicted($fold(90.0), [[Ability::Hamstrings, 120.0]]);
        // Shoulders as high as the hips, less what they lie below the spine's line: legs, less the arms.
        $hips = self::STATURE * (0.245 + 0.246 + 0.039);
        self::assertEqualsWithDelta($hips - 74.8, $flat->gap, 2.0);
        self::assertLessThan($flat->gap, self::predicted($fold(110.0), [[Ability::Hamstrings, 120.0]])->gap);
        $stiff = self::predicted($fold(110.0), [[Ability::Hamstrings, 90.0]]);
        self::assertEqualsWithDelta($flat->gap, $stiff->gap, 0.5, 'Who tips no further is where the flat back is.');
        self::assertEqualsWithDelta($stiff->gap - self::predicted($fold(110.0), [[Ability::Hamstrings, 120.0]])->gap,
            array_sum($stiff->ofJoints), 1e-9, 'Two legs are one shortage.');
    }

    public function testAStrapOverheadGrowsByWhatShoulderAndKneeDoNotGive(): void
    {
        $back = new DeepPigeonBack(17.0, 105.0, 45.0, 170.0, 60.0, 51.0, 31.6, 24.8);
        $reach = new StrapOverhead(new Demand(static fn (): DeepPigeonBack => $back,
            values: ['shoulderFlexion' => 170.0, 'kneeFlexion' => 105.0]));
        $full = self::predicted($reach, [[Ability::ShoulderFlexion, 180.0], [Ability::Quadriceps, 120.0]]);
        self::assertEqualsWithDelta($back->strap(self::proportions([])->body(Side::Right)), $full->gap, 1e-9);
        $stiff = self::predicted($reach, [[Ability::ShoulderFlexion, 150.0], [Ability::Quadriceps, 120.0]]);
        self::assertEqualsWithDelta($back->shifted('shoulderFlexion', -20.0)->strap(self::proportions([])
            ->body(Side::Right)), $stiff->gap, 1e-9);
        self::assertEqualsWithDelta($back->shifted('kneeFlexion', -35.0)->strap(self::proportions([])
            ->body(Side::Right)), self::predicted($reach, [[Ability::ShoulderFlexion, 180.0],
                [Ability::Quadriceps, 70.0]])->gap, 1e-9);
    }

    /** First order against 2,000 bodies drawn, and as many readings. */
    public function testTheErrorIsThatOfBodiesAndReadingsDrawn(): void
    {
        mt_srand(3003);
        $normal = static fn (): float => sqrt(-2.0 * log((mt_rand() + 1) / (mt_getrandmax() + 1))) * cos(2.0 * \M_PI
            * mt_rand() / mt_getrandmax());
        $fold = self::fold(100.0);
        $body = self::proportions(self::ARMS);
        $predicted = self::predicted($fold, [[Ability::Hamstrings, 80.0, Bound::Exact, 3.0]]);
        $gaps = [];
        for ($i = 0; $i < 2000; ++$i) {
            $drawn = $body;
            $lengths = [Segment::Thigh, Segment::Shin, Segment::SeatToShoulder, Segment::ShoulderToFingertips];
            foreach ($lengths as $segment) {
                $drawn = $drawn->longer($segment, $normal() * $body->error(Side::Left)->sd($segment));
            }
            $here = $fold->of($drawn, Side::Left);
            $gaps[] = $here->gap([$here->asks()[0]->name() => $here->asks()[0]->missing(80.0 + 3.0 * $normal())])
                + $normal() * ReachKind::Hold->error();
        }
        $mean = array_sum($gaps) / 2000;
        $sd = sqrt(array_sum(array_map(static fn (float $gap): float => ($gap - $mean) ** 2, $gaps)) / 1999);
        self::assertEqualsWithDelta($sd, $predicted->error, 0.06 * $sd);
        self::assertEqualsWithDelta($mean, $predicted->gap, 0.5);
    }

    public function testTheGripIsFingersWristOrAStrapThatIsWorthTying(): void
    {
        $of = static fn (float $gap, ReachKind $kind = ReachKind::Clasp): Grip => Grip::of($kind, $gap, 18.0);
        self::assertSame([Grip::Wrist, Grip::Fingers, Grip::Fingers, Grip::Strap, Grip::Strap, Grip::NotYet],
            array_map($of, [-18.0, -17.9, 0.4, 0.6, 45.0, 45.1]));
        self::assertSame(Grip::NotYet, $of(1.0, ReachKind::Elbow), 'No strap brings an elbow to a sole.');
        self::assertSame(Grip::Strap, $of(90.0, ReachKind::Hold));
        $far = new PredictedReach(ReachKind::Clasp, 50.0, 2.0, 18.0, 0.0, [], []);
        self::assertNull($far->strap());
        self::assertSame(0.0, (new PredictedReach(ReachKind::Clasp, -4.0, 2.0, 18.0, 0.0, [], []))->strap());
    }

    public function testAStrapThatWasUsedIsHeldAgainstWhatWasPredicted(): void
    {
        $predicted = new PredictedReach(ReachKind::Hold, 20.0, 2.0, 18.0, 0.0, [], []);
        self::assertSame(['same', 'more', 'less', 'same'], array_map(static fn (float $used): mixed => $predicted
            ->against($used)->numbers['than'], [23.0, 30.0, 10.0, 16.0]));
        self::assertSame('same', (new PredictedReach(ReachKind::Hold, -9.0, 2.0, 18.0, 0.0, [], []))->against(0.0)
            ->numbers['than'], 'Who gets past needs no strap.');
    }

    /** @return list<string> */
    private static function codes(PredictedReach $reach): array
    {
        return array_map(static fn (Reason $reason): string => $reason->code, $reach->reasons());
    }

    /** The left hand to the left ankle of a long leg. */
    private static function fold(float $flexion): DrawnReach
    {
        return new DrawnReach(ReachKind::Hold, self::pose($flexion), true, 'ankle');
    }

    private static function pose(float $flexion, float $twist = 0.0, float $side = 0.0): Pose
    {
        return new Pose(HipHeight::Sits, 0.0, 0.0, 0.0, 0.0, 0.0, $side, $twist, 0.0, 0.0, self::leg($flexion),
            self::leg(90.0), new ArmByAngles(0.0, 20.0), new ArmByAngles(0.0, 20.0));
    }

    private static function leg(float $flexion, float $knee = 0.0): ByAngles
    {
        return new ByAngles(new LegAngles($flexion, 0.0, 0.0, $knee), 0.0);
    }

    /** @param array<string, float> $lengths */
    private static function proportions(array $lengths): Proportions
    {
        return Proportions::of(Length::cm(self::STATURE), array_map(Length::cm(...), $lengths));
    }

    /**
     * @param list<array{0: Ability, 1: float, 2?: Bound, 3?: float}> $read of both sides, with the SD of each
     * @param array<string, float> $lengths
     */
    private static function predicted(Reach $reach, array $read, array $lengths = self::ARMS): PredictedReach
    {
        $on = new \DateTimeImmutable('2026-03-02');
        $evidence = [];
        foreach ($read as $one) {
            $error = Uncertainty::ofReading($one[3] ?? 1.0);
            $evidence[] = new Evidence($one[0], $one[1], $one[2] ?? Bound::Exact, $error, 'test', on: $on);
        }
        $person = array_reduce(Side::cases(), static fn (Snapshot $person, Side $side): Snapshot => $person
            ->supposing($side, $evidence), Person::of([], proportions: self::proportions($lengths)));

        return PredictReach::of($reach, $person, Side::Left) ?? self::fail('No body can be there.');
    }
}
