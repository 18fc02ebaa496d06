<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Figure;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Arm\ByAngles as ArmByAngles;
use LucidAscent\Core\Figure\Arm\Reaches;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Frame;
use LucidAscent\Core\Figure\HipHeight;
use LucidAscent\Core\Figure\Leg\FootAt;
use LucidAscent\Core\Figure\Leg\Kneels;
use LucidAscent\Core\Figure\Leg\Long;
use LucidAscent\Core\Figure\Limb;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Torso;
use LucidAscent\Core\LegChain\Vector;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A body put together out of its joints: where everything is, and that nothing is longer than it is. */
final class FigureTest extends TestCase
{
    use BuildsFigures;

    public function testAFrameTurnsAboutItsOwnAxes(): void
    {
        $tipped = Frame::upright()->tipped(90.0);
        self::assertPoint(new Vector(0, 0, -1), $tipped->forward, 1e-9, 'tipped forward it looks at the floor');
        self::assertPoint(new Vector(1, 0, 0), $tipped->up);
        self::assertPoint(new Vector(0, 0, 1), Frame::upright()->leaned(90.0)->left, 1e-9,
            'leaned to the right, the left side rises');
        self::assertPoint(new Vector(0, 1, 0), Frame::upright()->turned(90.0)->forward, 1e-9, 'turned to its left');
        // On the back, rolled to the left: about the long axis, wherever that lies.
        self::assertPoint(new Vector(0, 1, 0), Frame::upright()->tipped(-90.0)->turned(90.0)->forward);
        self::assertPoint(new Vector(-3, 1, 2), Frame::upright()->tipped(-90.0)->toGround(2, 1, 3));
    }

    public function testALegIsWhereTheLegChainHasIt(): void
    {
        mt_srand(11);
        $body = self::physique()->leg(Side::Left);
        for ($run = 0; $run < 60; ++$run) {
            [$f, $a, $r, $k, $tilt] = [mt_rand(-20, 130), mt_rand(-20, 60), mt_rand(-40, 90), mt_rand(5, 150),
                mt_rand(-30, 30)];
            $sitting = new Sitting(30.0, $tilt);
            $chain = LegChain::forward($body, $sitting, new LegAngles($f, $a, $r, $k));
            $figure = self::figure(HipHeight::Sits, self::angles($f, $a, $r, $k), self::angles($f, $a, $r, $k),
                tilt: $tilt, raised: 30.0);
            self::assertPoint($chain->knee, $figure->point('left-knee'), 1e-6, 'left');
            self::assertPoint($chain->ankle, $figure->point('left-ankle'), 1e-6);
            // The right leg is its mirror image.
            self::assertPoint(new Vector($chain->knee->x, -$chain->knee->y, $chain->knee->z),
                $figure->point('right-knee'), 1e-6, 'right');
            self::assertPoint(new Vector($chain->ankle->x, -$chain->ankle->y, $chain->ankle->z),
                $figure->point('right-ankle'));
        }
    }

    #[DataProvider('bends')]
    public function testASpineEndsWhereTheLegChainsTorsoDoes(float $back): void
    {
        $figure = self::figure(back: $back);
        $neck = Torso::neck(51.0, $back);
        self::assertPoint(new Vector($neck->x, 0.0, $figure->point('pelvis')->z + $neck->z), $figure->point('neck'),
            0.01);
        self::assertEqualsWithDelta(cos(deg2rad($back)), $figure->frames['chest']->up->z, 1e-9);
    }

    /** @return iterable<string, array{float}> */
    public static function bends(): iterable
    {
        yield 'straight' => [0.0];
        yield 'rounded' => [70.0];
        yield 'arched' => [-80.0];
    }

    public function testBendingAsideAndTurningGoTowardsTheSideThatWorks(): void
    {
        foreach (Side::cases() as $side) {
            $sign = Side::Left === $side ? 1.0 : -1.0;
            self::assertGreaterThan(5.0, $sign * self::figure(side: 30.0, working: $side)->point('head')->y,
                "$side->value: bent");
            self::assertGreaterThan(0.3, $sign * self::figure(twist: 30.0, working: $side)->frames['chest']->forward->y,
                "$side->value: turned");
            self::assertGreaterThan(0.3, $sign * self::figure(turn: 30.0, working: $side)
                ->frames['pelvis']->forward->y);
            self::assertGreaterThan(0.3, $sign * self::figure(lean: 30.0, working: $side)->frames['pelvis']->left->z,
                'the working side rises');
        }
    }

    public function testTheOtherSideIsTheMirrorImage(): void
    {
        $pose = static fn (Side $side): Figure => self::figure(HipHeight::Sits, self::angles(100, 30, 50, 110),
            new Long(20.0), new Reaches('knee', new Vector(0, 0, 0)), new Reaches(null, new Vector(-12, 5, 0)),
            tilt: 8.0, back: 20.0, side: 14.0, twist: 25.0, working: $side);
        [$left, $right] = [$pose(Side::Left), $pose(Side::Right)];
        foreach ($left->points as $name => $point) {
            $mirrored = strtr($name, ['left' => 'right', 'right' => 'left']);
            self::assertPoint(new Vector($point->x, -$point->y, $point->z), $right->point($mirrored), 1e-6, $name);
        }
    }

    public function testSegmentsAreAsLongAsTheBodySays(): void
    {
        $body = Physique::of(Proportions::of(Length::cm(165.0),
            ['thigh.left' => Length::cm(43.0), 'thigh.right' => Length::cm(40.0), 'shin.left' => Length::cm(38.0),
                'shin.right' => Length::cm(42.5)]));
        $figure = self::figure(HipHeight::Sits, self::angles(100, 30, 50, 110),
            new FootAt(20, 5, null, new Vector(0, 0, 1), null), new Reaches('knee', new Vector(0, 0, 0)), body: $body);
        $length = static fn (string $from, string $to): float => $figure->point($from)->minus($figure->point($to))
            ->length();
        foreach (['left' => [43.0, 38.0], 'right' => [40.0, 42.5]] as $side => [$thigh, $shin]) {
            self::assertEqualsWithDelta($thigh, $length("$side-hip", "$side-knee"), 1e-6);
            self::assertEqualsWithDelta($shin, $length("$side-knee", "$side-ankle"), 1e-6);
            self::assertEqualsWithDelta(0.186 * 165.0, $length("$side-shoulder", "$side-elbow"), 1e-6);
            self::assertEqualsWithDelta(0.146 * 165.0, $length("$side-elbow", "$side-wrist"), 1e-6);
        }
    }

    public function testTwoSegmentsReachWhatIsInReachAndPointTowardsTheRest(): void
    {
        $origin = new Vector(0, 0, 0);
        [$elbow, $wrist, $miss] = Limb::reach($origin, new Vector(30, 0, 0), 20.0, 15.0, new Vector(0, 0, 1));
        self::assertPoint(new Vector(30, 0, 0), $wrist);
        self::assertSame(0.0, round($miss, 6));
        self::assertGreaterThan(0.0, $elbow->z, 'towards the pole');
        self::assertEqualsWithDelta(20.0, $elbow->length(), 1e-9);
        self::assertEqualsWithDelta(15.0, $wrist->minus($elbow)->length(), 1e-9);
        [$elbow, $wrist, $miss] = Limb::reach($origin, new Vector(50, 0, 0), 20.0, 15.0, new Vector(0, 0, 1));
        self::assertEqualsWithDelta(15.0, $miss, 1e-5);
        self::assertPoint(new Vector(35, 0, 0), $wrist, 1e-5);
        self::assertPoint(new Vector(20, 0, 0), $elbow, 0.01);
        [, $wrist, $miss] = Limb::reach($origin, new Vector(1, 0, 0), 20.0, 15.0, new Vector(0, 0, 1));
        self::assertEqualsWithDelta(4.0, $miss, 1e-5, 'too near is missed, too');
    }

    public function testAnElbowBendsForwardAndAKneeBack(): void
    {
        $figure = self::figure(leg: self::angles(0, 0, 0, 90), arm: new ArmByAngles(0.0, 0.0, 0.0, 90.0));
        self::assertGreaterThan(20.0, $figure->point('left-wrist')->x);
        self::assertLessThan(-30.0, $figure->point('left-ankle')->x);
    }

    public function testKneelingPutsTheKneeOnTheFloorAndTheShinBehind(): void
    {
        $figure = self::figure(27.0, new Kneels(0.0, 180.0), new Kneels(180.0, 180.0, true));
        foreach (['left', 'right'] as $side) {
            self::assertEqualsWithDelta(LegChain::HALF_KNEE, $figure->point("$side-knee")->z, 1e-6);
            self::assertLessThan($figure->point("$side-knee")->x - 30.0, $figure->point("$side-ankle")->x);
        }
        self::assertGreaterThan(5.0, $figure->point('left-knee')->x);
        self::assertLessThan(-5.0, $figure->point('right-knee')->x);
        self::assertGreaterThan($figure->point('left-ankle')->z + 3.0, $figure->point('right-ankle')->z,
            'toes tucked, the heel is up');
        $high = self::figure(40.0, new Kneels(0.0, 180.0));
        self::assertEqualsWithDelta(0.40 * 170.0 - 5.0 - 0.245 * 170.0, $high->misses['left-foot'], 1e-6,
            'too high to kneel');
        $raised = self::figure(27.0, new Kneels(180.0, 180.0, false, 90.0));
        self::assertEqualsWithDelta(LegChain::HALF_KNEE + 0.246 * 170.0, $raised->point('left-ankle')->z, 1e-6);
    }

    public function testALongLegLiesOnTheFloorInItsDirection(): void
    {
        $figure = self::figure(HipHeight::Sits, new Long(0.0), new Long(60.0));
        self::assertEqualsWithDelta(0.0, $figure->point('left-ankle')->y - $figure->point('left-hip')->y, 0.01);
        self::assertLessThan(-60.0, $figure->point('right-ankle')->y);
        foreach (['left', 'right'] as $side) {
            self::assertGreaterThan(-1.0, $figure->segment("$side-foot")->clearance());
            self::assertLessThan(1.0, $figure->segment("$side-foot")->clearance());
            self::assertEqualsWithDelta(0.491 * 170.0, $figure->point("$side-hip")->minus($figure->point("$side-ankle"))
                ->length(), 0.01, 'straight');
        }
        self::assertGreaterThan($figure->point('left-ankle')->z + 10.0, $figure->point('left-toe')->z, 'toes up');
    }

    public function testAFootThatIsPutSomewhereIsThereSoleDown(): void
    {
        $figure = self::figure(25.0, new FootAt(20.0, 6.0, null, new Vector(1, 0.4, 0.5), null));
        $hip = $figure->point('left-hip');
        $ankle = $figure->point('left-ankle');
        self::assertPoint(new Vector($hip->x + 34.0, $hip->y + 10.2, 0.039 * 170.0), $ankle);
        self::assertEqualsWithDelta(0.0, $figure->segment('left-foot')->clearance(), 0.8);
        self::assertGreaterThan($hip->y, $figure->point('left-knee')->y, 'the knee points outward');
        self::assertGreaterThan($ankle->x + 5.0, $figure->point('left-toe')->x);
    }

    public function testAHandLiesOnTheSurfaceOfWhatItHolds(): void
    {
        $figure = self::figure(HipHeight::Sits, self::angles(85, 30, 50, 110), self::angles(85, 30, 50, 110),
            new Reaches('thigh', new Vector(0, 0, 0)));
        self::assertSame(0.0, round($figure->misses['left-hand'], 6));
        $gap = $figure->point('left-wrist')->minus($figure->point('left-thigh'))->length();
        self::assertEqualsWithDelta($figure->physique->thickness('thigh') + 0.8 * $figure->physique->radii('hand')[0],
            $gap, 1e-6);
        $far = self::figure(arm: new Reaches('foot', new Vector(0, 0, 0)));
        self::assertGreaterThan(15.0, $far->misses['left-hand'], 'standing, nobody reaches a foot');
        $strapped = self::figure(arm: new Reaches('foot', new Vector(0, 0, 0), isStrapped: true));
        self::assertSame(0.0, $strapped->misses['left-hand']);
        self::assertSame(['left-hand'], $strapped->strapped);
        self::assertSame([], $far->strapped);
    }

    public function testAHandOnTheFloorGoesAsFarAsTheArmIsLongAndNoElbowUnderIt(): void
    {
        $figure = self::figure(HipHeight::Lies, new Long(0.0), new Long(0.0), new Reaches(null, new Vector(80, 0, 0)),
            tilt: -90.0);
        self::assertSame(0.0, round($figure->misses['left-hand'], 6));
        self::assertGreaterThanOrEqual($figure->physique->radii('forearm')[0] - 0.6, $figure->point('left-elbow')->z);
        $standing = self::figure(arm: new Reaches(null, new Vector(0, 0, 0)));
        self::assertGreaterThan(50.0, $standing->misses['left-hand'], 'from standing the floor is out of reach');
        $forearm = self::figure(12.0, new Kneels(180.0, 180.0), new Kneels(180.0, 180.0),
            new Reaches(null, new Vector(4, 0, 0), isForearm: true), tilt: 84.0);
        self::assertEqualsWithDelta($forearm->point('left-elbow')->z, $forearm->point('left-wrist')->z, 1e-6);
        self::assertEqualsWithDelta($forearm->physique->radii('forearm')[0], $forearm->point('left-elbow')->z, 1e-6);
    }

    public function testHipsAreAsHighAsWhatCarriesThem(): void
    {
        $body = self::physique();
        $leg = $body->leg(Side::Left);
        $at = static fn (HipHeight $hips, float $raised = 0.0): float => $hips->of($body, null, $raised);
        self::assertSame($leg->seatedHipHeight + 6.0, $at(HipHeight::Sits, 6.0));
        self::assertSame($leg->lyingHipHeight, $at(HipHeight::Lies));
        self::assertEqualsWithDelta(LegChain::HALF_KNEE + $leg->thigh, $at(HipHeight::Kneels), 0.05);
        self::assertEqualsWithDelta($leg->thigh + $leg->shin + $leg->ankleAboveSole, $at(HipHeight::Stands), 0.5);
        self::assertSame($leg->seatedHipHeight, $at(HipHeight::Demanded), 'where nothing is demanded, it sits');
        self::assertGreaterThan($at(HipHeight::Lies), $at(HipHeight::LiesOnSide));
        self::assertTrue(HipHeight::Lies->carriesPelvis() && HipHeight::Sits->carriesPelvis()
            && HipHeight::LiesOnSide->carriesPelvis());
        self::assertFalse(HipHeight::Stands->carriesPelvis() || HipHeight::Kneels->carriesPelvis());
        $rolled = self::figure(HipHeight::Lies, tilt: -90.0, roll: 60.0);
        self::assertGreaterThan(-1.0, $rolled->segment('hips')->clearance(),
            'rolled aside, the lower hip does not sink in');
    }

    public function testThicknessGoesWithStatureAndFleshYieldsOnTheFloor(): void
    {
        self::assertEqualsWithDelta(self::physique(170.0)->radii('thigh')[0] * 200.0 / 170.0, self::physique(200.0)
            ->radii('thigh')[0], 1e-9);
        $lying = self::figure(HipHeight::Lies, new Long(0.0), new Long(0.0), tilt: -90.0);
        self::assertLessThan(self::physique()->radii('waist')[1], $lying->segment('waist')->endRadius);
        self::assertSame(self::physique()->radii('waist')[1], self::figure()->segment('waist')->endRadius);
        self::assertEqualsWithDelta(0.85 * self::physique()->radii('thigh')[0], self::physique()
            ->thickness('other-thigh'), 1e-9);
    }
}
