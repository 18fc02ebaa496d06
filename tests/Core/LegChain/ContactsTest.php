<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use Eris\Generators;
use Eris\TestTrait;
use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\AnkleOnThigh;
use LucidAscent\Core\LegChain\Contact\CowFace;
use LucidAscent\Core\LegChain\Contact\Cradle;
use LucidAscent\Core\LegChain\Contact\DeepPigeonBack;
use LucidAscent\Core\LegChain\Contact\DeepSquat;
use LucidAscent\Core\LegChain\Contact\EasyCrossLeg;
use LucidAscent\Core\LegChain\Contact\FigureFour;
use LucidAscent\Core\LegChain\Contact\Frog;
use LucidAscent\Core\LegChain\Contact\FullLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotusEasy;
use LucidAscent\Core\LegChain\Contact\HeelToSeat;
use LucidAscent\Core\LegChain\Contact\KneeHug;
use LucidAscent\Core\LegChain\Contact\LegBehindHead;
use LucidAscent\Core\LegChain\Contact\LegOverShoulder;
use LucidAscent\Core\LegChain\Contact\LegRaise;
use LucidAscent\Core\LegChain\Contact\PigeonFront;
use LucidAscent\Core\LegChain\Contact\ShinsStacked;
use LucidAscent\Core\LegChain\Contact\WideLegs;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sampling;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ContactsTest extends TestCase
{
    use TestTrait;

    /** Values of an independent program, to a tenth of a degree. */
    public function testStackedShinsAndPigeonGiveTheKnownAngles(): void
    {
        self::assertEqualsWithDelta([97.3, 17.0, 84.2, 107.6],
            array_values((new ShinsStacked(14, 10, new Sitting()))->angles(SampleBody::leg())), 0.1);
        self::assertEqualsWithDelta([74.2, 11.2, 71.1, 143.6],
            array_values((new PigeonFront(16, 45))->angles(SampleBody::leg())), 0.1);
    }

    public function testStackedShinsReadRotationAlmostFreeOfTheBody(): void
    {
        $sensitivity = Sensitivity::of(new ShinsStacked(14, 10, new Sitting()), SampleBody::leg());
        $known = [[Component::Flexion, 1.5, 1.0], [Component::Abduction, 0.9, 0.1],
            [Component::ExternalRotation, 1.4, 1.4]];
        foreach ($known as [$component, $all, $reading]) {
            self::assertEqualsWithDelta($all, $sensitivity->error($component, BodyError::measured()), 0.06);
            self::assertEqualsWithDelta($reading, $sensitivity->readingError($component), 0.06);
        }
        self::assertEqualsWithDelta(-1.4, $sensitivity->toReading(Component::ExternalRotation, 'kneeHeight'), 0.06);
    }

    /** Sampled by an independent program, 20,000 draws. */
    public function testHalfLotusAgainstStackedShinsHasTheKnownError(): void
    {
        $sd = Sampling::sd(
            new ShinsStacked(14, 10, new Sitting()),
            SampleBody::leg(),
            BodyError::measured(),
            new KneeAtHeight(HalfLotusEasy::place(new Sitting()), 16),
            draws: 20000,
        );
        self::assertEqualsWithDelta(2.1, $sd['rotation'], 0.15);
    }

    #[DataProvider('closedForms')]
    public function testSingleJointsFollowTheirClosedForms(Posture $posture, array $expected): void
    {
        self::assertEqualsWithDelta($expected, $posture->angles(new Body(40, 40, 16, 9, 6)), 1e-9);
    }

    public static function closedForms(): iterable
    {
        // By hand: an equilateral triangle of thigh, shin and gap leaves 60° between the two.
        yield 'heel to seat, equilateral' => [new HeelToSeat(40), ['kneeFlexion' => 120.0]];
        yield 'heel to seat, right angle' => [new HeelToSeat(sqrt(3200)), ['kneeFlexion' => 90.0]];
        yield 'heel at half the leg' => [new LegRaise(40), ['flexion' => 30.0]];
        yield 'heel straight up' => [new LegRaise(80), ['flexion' => 90.0]];
        yield 'ankles a leg apart, and the hips' => [new WideLegs(96), ['abduction' => 30.0]];
        yield 'knees a thigh apart, and the hips' => [new Frog(56), ['abduction' => 30.0]];
        yield 'knees together cross the line' => [new Frog(0), ['abduction' => -rad2deg(asin(8 / 40))]];
    }

    #[DataProvider('tooFar')]
    public function testWhatNoLegReachesIsOutOfReach(Posture $posture): void
    {
        $this->expectException(OutOfReach::class);
        $posture->angles(SampleBody::leg());
    }

    public static function tooFar(): iterable
    {
        yield [new HeelToSeat(83)];
        yield [new LegRaise(87)];
        yield [new KneeHug(60, false)];
        yield [new WideLegs(183)];
        yield [new Frog(100)];
        yield [new ShinsStacked(5, 47, new Sitting())];
        yield [new ShinsStacked(60, 60, new Sitting())];
        yield [new PigeonFront(47, 0)];
        yield [new CowFace(60, 0, new Sitting())];
        yield [new CowFace(5, 90, new Sitting())];
        yield [new LegOverShoulder(120, 0)];
        yield [new DeepPigeonBack(60, 90, 40, 180, 30, 50, 30, 25)];
        yield [new FreeKnee(new LegBehindHead(90, 0, new Sitting()), new Capacity(120))];
    }

    #[DataProvider('everyPosture')]
    public function testTwiceTheBodyAtTwiceTheHeightsAsksForTheSame(callable $posture): void
    {
        $once = $posture(1.0)->angles(new Body(41.2, 41.3, 17.0, 9.0, 6.6));
        foreach ($once as $degrees) {
            self::assertTrue(is_finite($degrees));
        }
        if ($posture(1.0) instanceof ShinsStacked || $posture(1.0) instanceof HeelToSeat
            || $posture(1.0) instanceof Frog || $posture(1.0) instanceof WideLegs
            || $posture(1.0) instanceof LegRaise) {
            $twice = $posture(2.0)->angles(new Body(82.4, 82.6, 34.0, 18.0, 13.2));
            self::assertEqualsWithDelta($once, $twice, 1e-9);
        }
    }

    #[DataProvider('everyPosture')]
    public function testEveryPropCanBeShifted(callable $posture): void
    {
        $set = $posture(1.0);
        foreach ($set->props() as $name => $value) {
            self::assertEqualsWithDelta($value + 0.5, $set->shifted($name, 0.5)->props()[$name], 1e-9, $name);
        }
        self::assertEquals($set, $set->shifted('no such prop', 1.0));
    }

    public static function everyPosture(): iterable
    {
        $capacity = new Capacity(130, 60, 100, 155);
        $sitting = new Sitting(2.0, 1.0);
        yield 'stacked shins' => [static fn (float $k): Posture => new ShinsStacked(14 * $k, 10 * $k, new Sitting())];
        yield 'heel to seat' => [static fn (float $k): Posture => new HeelToSeat(20 * $k)];
        yield 'frog' => [static fn (float $k): Posture => new Frog(80 * $k)];
        yield 'wide legs' => [static fn (float $k): Posture => new WideLegs(120 * $k)];
        yield 'leg raise' => [static fn (float $k): Posture => new LegRaise(60 * $k)];
        yield 'pigeon' => [static fn (): Posture => new PigeonFront(14, 30, 2)];
        yield 'cow face' => [static fn (): Posture => new CowFace(18, 4, $sitting)];
        yield 'half lotus' => [static fn (): Posture => new KneeAtHeight(HalfLotusEasy::place($sitting), 18)];
        yield 'full lotus, second leg' => [static fn (): Posture => new FreeKnee(FullLotus::place($sitting),
            $capacity)];
        yield 'easy cross-leg' => [static fn (): Posture => new FreeKnee(new EasyCrossLeg($sitting), $capacity)];
        yield 'figure four lying' => [static fn (): Posture => new FreeKnee(new FigureFour(90.0, $sitting), $capacity)];
        yield 'figure four seated' => [static fn (): Posture => new FreeKnee(new FigureFour(120.0, $sitting),
            $capacity)];
        yield 'figure four standing' => [static fn (): Posture => new FreeKnee(new FigureFour(70.0, new Sitting(50)),
            $capacity)];
        yield 'cradle' => [static fn (): Posture => new FreeKnee(new Cradle(50, $sitting), $capacity, 10)];
        yield 'deep squat' => [static fn (): Posture => new DeepSquat(20, 20)];
        yield 'leg behind the head' => [static fn (): Posture => new FreeKnee(new LegBehindHead(50, 60, $sitting),
            $capacity, 18)];
        yield 'leg over the shoulder' => [static fn (): Posture => new LegOverShoulder(50, 40)];
        yield 'deep pigeon, back leg' => [static fn (): Posture => new DeepPigeonBack(16, 110, 60, 175, 60, 50, 31, 25,
            5)];
    }

    public function testASecondLotusLegAsksForMoreThanTheFirst(): void
    {
        $capacity = new Capacity(125, 50, 90);
        $worst = static fn (AnkleOnThigh $contact): float => $capacity->worstMargin((new FreeKnee($contact, $capacity))
            ->pose(SampleBody::leg())->angles);
        self::assertLessThan($worst(HalfLotus::place(new Sitting())), $worst(FullLotus::place(new Sitting())));
    }

    public function testEasyCrossLegAsksForLessRotationThanHalfLotus(): void
    {
        $capacity = new Capacity(130, 60, 60);
        $easy = (new FreeKnee(new EasyCrossLeg(new Sitting(10)), $capacity))->pose(SampleBody::leg());
        $half = (new FreeKnee(HalfLotusEasy::place(new Sitting(10)), $capacity))->pose(SampleBody::leg());
        self::assertLessThan($half->angles->rotation, $easy->angles->rotation);
    }

    public function testALevelShinInPigeonAsksForAnothersTurnAsItComesParallel(): void
    {
        $this->limitTo(60)->forAll(Generators::choose(0, 75), Generators::choose(8, 25))
            ->then(static function (int $angle, int $hip): void {
                $parallel = (new PigeonFront($hip, $angle))->angles(SampleBody::leg());
                $slanted = (new PigeonFront($hip, $angle + 5))->angles(SampleBody::leg());
                self::assertGreaterThan($slanted['rotation'], $parallel['rotation']);
                // With the thigh fixed, the shin turns rotation and knee alone.
                self::assertEqualsWithDelta($slanted['flexion'], $parallel['flexion'], 1e-9);
                self::assertEqualsWithDelta($slanted['abduction'], $parallel['abduction'], 1e-9);
            });
    }

    public function testMoreRoundingAsksLessOfTheHipBehindTheHead(): void
    {
        $capacity = new Capacity(130, 50, 100);
        $last = -INF;
        foreach ([0, 30, 60, 90, 120] as $rounding) {
            $margin = $capacity->worstMargin((new FreeKnee(new LegBehindHead(50, $rounding, new Sitting()), $capacity,
                18))->pose(SampleBody::leg())->angles);
            self::assertGreaterThan($last, $margin);
            $last = $margin;
        }
    }

    public function testTheStrapShortensWithBackBendAndKnee(): void
    {
        $strap = static fn (float $bend, float $knee): float => (new DeepPigeonBack(16, $knee, $bend, 180, 60, 50, 31,
            25))->strap(SampleBody::leg());
        self::assertLessThan($strap(0, 110), $strap(20, 110));
        self::assertLessThan($strap(20, 80), $strap(20, 110));
        // By hand: hip on the floor's knee height, thigh straight back, shin straight up, torso and arm straight
        // up, forearm along it: the hand is torso + arm above the hip, the ankle a thigh behind and a shin up.
        $upright = new DeepPigeonBack(5, 90, 0, 180, 0, 50, 30, 25);
        self::assertEqualsWithDelta(hypot(41.2, 105.0 - 41.3), $upright->strap(SampleBody::leg()), 1e-9);
        self::assertEqualsWithDelta(-90.0, $upright->angles(SampleBody::leg())['flexion'], 1e-9);
    }

    public function testAPelvisTippedForwardTakesExtensionOffTheBackHip(): void
    {
        $at = static fn (float $tilt): float => (new DeepPigeonBack(14, 90, 30, 180, 0, 50, 30, 25, $tilt))
            ->angles(SampleBody::leg())['flexion'];
        self::assertEqualsWithDelta($at(0.0) + 10.0, $at(10.0), 1e-9);
    }

    public function testImpossibleNumbersAreRefused(): void
    {
        foreach ([
            static fn () => new ShinsStacked(-1, 10, new Sitting()),
            static fn () => new PigeonFront(16, 91),
            static fn () => new Frog(-1),
            static fn () => new LegBehindHead(0, 10, new Sitting()),
            static fn () => new Sitting(-1),
            static fn () => new Sitting(0, 91),
            static fn () => new Capacity(NAN),
            static fn () => new Body(0, 41, 17, 9, 6),
            static fn () => new Body(41, INF, 17, 9, 6),
        ] as $make) {
            try {
                $make();
                self::fail('An impossible number was taken.');
            } catch (InvalidValue $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }
}
