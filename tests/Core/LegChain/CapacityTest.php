<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotusEasy;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

final class CapacityTest extends TestCase
{
    public function testTheTightestComponentLimits(): void
    {
        $demand = new LegAngles(100, 40, 90, 140);
        $capacity = new Capacity(120, 45, 80);
        self::assertSame(-10.0, $capacity->worstMargin($demand));
        self::assertSame(Component::ExternalRotation, $capacity->limiter($demand));
        self::assertSame(5.0, (new Capacity(120, 45))->worstMargin($demand));
        self::assertSame(Component::Abduction, (new Capacity(120, 45))->limiter($demand));
    }

    public function testWhatIsNotLimitedDecidesNothing(): void
    {
        $demand = new LegAngles(100, 40, 90, 140);
        self::assertSame(INF, (new Capacity())->worstMargin($demand));
        self::assertNull((new Capacity())->limiter($demand));
        self::assertSame(-20.0, (new Capacity(kneeFlexion: 120))->worstMargin($demand));
    }

    public function testSittingPlacesTheHip(): void
    {
        $hip = (new Sitting(4.0, 10.0))->hip(SampleBody::leg());
        self::assertSame([0.0, 8.5, 13.0], $hip->toArray());
        self::assertSame(['seat' => 6.0, 'pelvicTilt' => 10.0], (new Sitting(4.0, 10.0))->shifted('seat', 2.0)
            ->props());
        self::assertSame(-5.0, (new Sitting(0.0, 10.0))->tucked(15.0)->pelvicTilt);
    }

    public function testThePelvissAxesAreAtRightAnglesInTheGroundFrame(): void
    {
        $sitting = new Sitting(0.0, 25.0);
        $x = $sitting->toGround(new Vector(1, 0, 0));
        $y = $sitting->toGround(new Vector(0, 1, 0));
        $z = $sitting->toGround(new Vector(0, 0, 1));
        self::assertEqualsWithDelta([cos(deg2rad(25)), 0.0, -sin(deg2rad(25))], $x->toArray(), 1e-12);
        foreach ([[$x, $y], [$y, $z], [$z, $x]] as [$one, $two]) {
            self::assertEqualsWithDelta(0.0, $one->dot($two), 1e-12);
            self::assertEqualsWithDelta(1.0, $one->length(), 1e-12);
        }
        self::assertEqualsWithDelta($z->toArray(), $x->cross($y)->toArray(), 1e-12);
    }

    public function testHigherKneesAskForMoreFlexionAndLessTurnInEveryContact(): void
    {
        foreach ([new SolesTogether(20, new Sitting()), HalfLotus::place(new Sitting()),
            HalfLotusEasy::place(new Sitting(5))] as $contact) {
            $last = null;
            for ($height = 10.0; $height <= 24.0; $height += 2.0) {
                $angles = (new KneeAtHeight($contact, $height))->pose(SampleBody::leg())->angles;
                if (null !== $last) {
                    self::assertGreaterThan($last->flexion, $angles->flexion);
                    self::assertLessThan($last->rotation, $angles->rotation);
                    self::assertEqualsWithDelta($last->kneeFlexion, $angles->kneeFlexion, 1e-9,
                        'the fold of the knee follows from hip and ankle alone');
                }
                $last = $angles;
            }
        }
    }

    public function testLimbsComeInPairs(): void
    {
        foreach (Segment::cases() as $segment) {
            self::assertSame(in_array($segment, [Segment::Thigh, Segment::Shin, Segment::ShoulderToFingertips,
                Segment::ElbowToFingertips], true), $segment->isPaired());
            self::assertGreaterThan(0.0, $segment->shareOfStature());
        }
    }
}
