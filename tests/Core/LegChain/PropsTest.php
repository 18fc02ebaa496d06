<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Conditioning;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotusEasy;
use LucidAscent\Core\LegChain\Contact\PigeonFront;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\Prop;
use LucidAscent\Core\LegChain\PropAdvice;
use LucidAscent\Core\LegChain\ProportionShare;
use LucidAscent\Core\LegChain\PropTable;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Shortfall;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Tuck;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

final class PropsTest extends TestCase
{
    public function testASeatHelpsFlexionAndABlockHelpsRotation(): void
    {
        $posture = new KneeAtHeight(HalfLotus::place(new Sitting()), 12);
        $rows = [];
        foreach (PropTable::of($posture, SampleBody::leg()) as $row) {
            $rows[$row['prop']->value] = $row;
        }
        self::assertSame(3.0, $rows['seat']['step']);
        self::assertLessThan(-3.0, $rows['seat']['change']['flexion']);
        self::assertLessThan(-4.0, $rows['kneeHeight']['change']['rotation']);
        self::assertGreaterThanOrEqual(0.0, $rows['seat']['change']['rotation']);
        self::assertEqualsWithDelta(-5.0, $rows['pelvicTilt']['change']['flexion'], 1e-9);
        $by = $posture->shifted('seat', 3.0)
            ->angles(SampleBody::leg())['flexion'] - $posture->angles(SampleBody::leg())['flexion'];
        self::assertSame($by, $rows['seat']['change']['flexion']);
    }

    public function testEachFurtherBlanketTakesOffLess(): void
    {
        $posture = new KneeAtHeight(new SolesTogether(20, new Sitting()), 20);
        $blankets = PropTable::blankets($posture, SampleBody::leg(), 3.0, 4);
        self::assertCount(4, $blankets);
        foreach ($blankets as $i => $row) {
            self::assertLessThan(0.0, $row['flexion']);
            if ($i > 0) {
                self::assertLessThan(abs($blankets[$i - 1]['flexion']), abs($row['flexion']));
            }
        }
    }

    public function testTheLeastPropClosesEveryMarginAndALittleLessDoesNot(): void
    {
        $posture = new KneeAtHeight(HalfLotusEasy::place(new Sitting()), 10);
        $capacity = new Capacity(125, 60, 90);
        $spare = ['rotation' => 4.0, 'abduction' => 4.0, 'flexion' => 4.0];
        $advice = [];
        foreach (PropAdvice::of($posture, SampleBody::leg(), $capacity, $spare) as $answer) {
            $advice[$answer->prop->value] = $answer->value;
        }
        self::assertNull($advice['seat'], 'no seat turns the thigh');
        self::assertNotNull($advice['kneeHeight']);
        $at = static fn (float $height): bool => PropAdvice::closes(
            (new KneeAtHeight(HalfLotusEasy::place(new Sitting()), $height))->angles(SampleBody::leg()),
            $capacity,
            $spare,
        );
        self::assertTrue($at($advice['kneeHeight']));
        self::assertFalse($at($advice['kneeHeight'] - 0.1));
    }

    public function testWhatIsEnoughNeedsNoProp(): void
    {
        foreach (PropAdvice::of(new PigeonFront(16, 45), SampleBody::leg(), new Capacity(120, 60, 90), []) as $answer) {
            self::assertSame((new PigeonFront(16, 45))->props()[$answer->prop->value], $answer->value);
        }
    }

    public function testASlantedShinIsWhatClosesPigeon(): void
    {
        $advice = [];
        foreach (PropAdvice::of(new PigeonFront(16, 0), SampleBody::leg(), new Capacity(120, 60, 75, 150),
            []) as $answer) {
            $advice[$answer->prop->value] = $answer->value;
        }
        self::assertEqualsWithDelta(75.0, (new PigeonFront(16, (float) $advice[Prop::ShinAngle->value]))
            ->angles(SampleBody::leg())['rotation'], 0.1);
    }

    public function testWhatTheHipLacksLandsInTheKnee(): void
    {
        $posture = new KneeAtHeight(HalfLotus::place(new Sitting()), 10);
        $capacity = new Capacity(125, 50, 105);
        $shortfall = Shortfall::of($posture->angles(SampleBody::leg()), $capacity);
        self::assertEqualsWithDelta(116.0 - 105.0, $shortfall->atKnee(), 0.1);
        self::assertSame(0.0, $shortfall->missing['flexion']);
        self::assertArrayNotHasKey('kneeFlexion', $shortfall->missing);
        self::assertFalse($shortfall->isNone());
        self::assertEqualsWithDelta(17.5 - 10.0, Shortfall::kneeLift($posture, SampleBody::leg(), $capacity), 1e-9);
        self::assertTrue(Shortfall::of(['rotation' => 80.0], $capacity)->isNone());
        self::assertFalse(Shortfall::of(['rotation' => 105.04], $capacity)->isNone(), 'However little it is.');
    }

    public function testTheLeastTuckAndTheLeastSeatMakeAHeightPossible(): void
    {
        $contact = new SolesTogether(15, new Sitting());
        $capacity = new Capacity(125, 55, 90, 160);
        $tuck = Tuck::of($contact, SampleBody::leg(), $capacity);
        self::assertNotNull($tuck->degrees);
        self::assertNotNull($tuck->seat);
        $fits = static fn (Sitting $sitting): bool => null !== LowestKnee::search($contact->seated($sitting),
            SampleBody::leg(), $capacity);
        self::assertTrue($fits((new Sitting())->tucked($tuck->degrees)));
        self::assertFalse($fits((new Sitting())->tucked($tuck->degrees - 0.01)));
        self::assertTrue($fits(new Sitting($tuck->seat)));
        self::assertFalse($fits(new Sitting($tuck->seat - 0.01)));
    }

    public function testNoSeatHelpsWhereTheFootRidesOnTheThigh(): void
    {
        $tuck = Tuck::of(HalfLotus::place(new Sitting()), SampleBody::leg(), new Capacity(125, 50, 85, 160));
        self::assertNull($tuck->seat);
        self::assertEqualsWithDelta(5.0, (float) $tuck->degrees, 0.1);
    }

    public function testALongShinRaisesTheKneeByItselfWhereAbductionIsTheLimit(): void
    {
        $share = static fn (float $thigh, float $shin, Capacity $capacity): ?float => ProportionShare::of(
            new SolesTogether(30, new Sitting()),
            new Body($thigh, $shin, 17, 9, 6.6),
            $capacity,
        );
        $abductionLimits = new Capacity(150, 60, 90);
        self::assertSame(0.0, $share(41, 41, $abductionLimits));
        self::assertGreaterThan(2.0, $share(39, 44, $abductionLimits));
        self::assertLessThan(0.0, $share(44, 39, $abductionLimits));
        // Where rotation is the limit, a long shin is no excuse.
        self::assertLessThan(0.0, $share(39, 44, new Capacity(150, 90, 60)));
        self::assertNull($share(39, 44, new Capacity(100, 50, 60)));
    }

    public function testATightlyFoldedKneeReadsTheHipPoorlyAndSaysWhatWouldTellMore(): void
    {
        $poor = new KneeAtHeight(new SolesTogether(10, new Sitting()), 12);
        $conditioning = Conditioning::of($poor, SampleBody::leg(), BodyError::measured());
        self::assertTrue($conditioning->isPoor);
        self::assertNotNull($conditioning->betterHeels);
        $better = Conditioning::of(new KneeAtHeight(new SolesTogether($conditioning->betterHeels, new Sitting()), 12),
            SampleBody::leg(), BodyError::measured());
        self::assertFalse($better->isPoor);
        self::assertLessThan($conditioning->rotationError, $better->rotationError);
    }

    public function testDerivativesAreThoseOfSmallSteps(): void
    {
        $posture = new KneeAtHeight(new SolesTogether(20, new Sitting(2)), 14);
        $slope = Sensitivity::toProp($posture, SampleBody::leg(), 'seat')['flexion'];
        $step = ($posture->shifted('seat', 0.01)->angles(SampleBody::leg())['flexion'] - $posture->shifted('seat',
            -0.01)->angles(SampleBody::leg())['flexion']) / 0.02;
        self::assertEqualsWithDelta($step, $slope, 1e-4);
        $bySegment = Sensitivity::of($posture, SampleBody::leg())->toBody(Component::ExternalRotation, Segment::Shin);
        $step = ($posture->angles(SampleBody::leg()->shifted(Segment::Shin,
            0.01))['rotation'] - $posture->angles(SampleBody::leg()->shifted(Segment::Shin, -0.01))['rotation']) / 0.02;
        self::assertEqualsWithDelta($step, $bySegment, 1e-4);
    }
}
