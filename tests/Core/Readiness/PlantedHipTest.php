<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Contact\PlantedFoot;
use LucidAscent\Core\LegChain\Contact\SquatDepth;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\PlantedHip;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

/** The hip over a planted foot, and in the deep squat. */
final class PlantedHipTest extends TestCase
{
    public function testTheAnglesOfAPlantedFootLeadBackToIt(): void
    {
        foreach ([[0.0, 15.0, 0.0], [4.0, 25.0, 15.0], [9.0, 40.0, 30.0]] as [$bone, $heel, $tuck]) {
            $sitting = (new Sitting())->tucked($tuck);
            $angles = (new PlantedFoot($bone, $heel, $sitting))->pose(SampleBody::leg())->angles;
            $leg = LegChain::forward(SampleBody::leg(), $sitting->withSeat($bone), new LegAngles($angles->flexion,
                $angles->abduction, $angles->rotation, $angles->kneeFlexion));
            self::assertEqualsWithDelta([$heel + 3.0, 8.5, 6.6], $leg->ankle->toArray(), 1e-6);
            self::assertEqualsWithDelta(0.0, $angles->abduction, 1e-9);
        }
    }

    public function testWhatTheHipDoesNotBendLiftsTheSittingBone(): void
    {
        $body = SampleBody::leg();
        self::assertSame(0.0, PlantedHip::lift($body, 160.0, 25.0, 0.0));
        $last = 0.0;
        foreach ([150.0, 145.0, 135.0] as $flexion) {
            $lift = PlantedHip::lift($body, $flexion, 25.0, 0.0);
            self::assertGreaterThan($last, $lift);
            self::assertEqualsWithDelta($flexion, (new PlantedFoot((float) $lift, 25.0, new Sitting()))
                ->angles($body)['flexion'], 1e-6);
            $last = (float) $lift;
        }
        self::assertLessThan($last, PlantedHip::lift($body, 135.0, 25.0, 10.0), 'A pelvis that tucks needs less.');
        self::assertNull(PlantedHip::lift($body, 40.0, 25.0, 0.0));
    }

    public function testALongShinLiftsItByItself(): void
    {
        $long = new Body(39.0, 43.5, 17.0, 9.0, 6.6);
        $share = PlantedHip::ofLongShin($long, 140.0, 25.0, 10.0);
        self::assertEqualsWithDelta(PlantedHip::lift($long, 140.0, 25.0, 10.0) - PlantedHip::lift(
            new Body(41.25, 41.25, 17.0, 9.0, 6.6), 140.0, 25.0, 10.0), $share, 1e-9);
        self::assertGreaterThan(1.0, $share);
        self::assertEqualsWithDelta(0.0, PlantedHip::ofLongShin(new Body(41.0, 41.0, 17.0, 9.0, 6.6), 140.0, 25.0,
            10.0), 1e-9);
        self::assertGreaterThan(0.0, PlantedHip::lift(new Body(38.0, 48.0, 17.0, 9.0, 6.6), 170.0, 2.0, 0.0),
            'What such legs cannot do lower is no answer.');
    }

    public function testASquatShowsAtLeastARightAngleAndWhatTheThighRises(): void
    {
        $flexion = static fn (float $knee, float $hip, float $tuck = 0.0): float => (new SquatDepth($knee, $hip,
            $tuck))->angles(SampleBody::leg())['flexion'];
        self::assertEqualsWithDelta(90.0, $flexion(40.0, 40.0), 1e-9);
        // (45 - 22) / 41.2 is the sine of 33.94 degrees.
        self::assertEqualsWithDelta(123.94, $flexion(45.0, 22.0), 0.01);
        self::assertEqualsWithDelta(103.94, $flexion(45.0, 22.0, 20.0), 0.01, 'What the pelvis tucks.');
        self::assertEqualsWithDelta(66.61, $flexion(40.0, 56.36), 0.01);
        $this->expectException(OutOfReach::class);
        $flexion(70.0, 10.0);
    }

    public function testAHeightWithoutTheAngleOfThePelvisIsKeptAndProvesNothing(): void
    {
        $read = static fn (array $trial, Side $side = Side::Left): array => ReadTest::evidence(self::test(),
            new TakenTest(PlantedHip::TEST, $side, Tool::Tape, [$trial]), SampleBody::leg(), ToolErrors::usual());
        self::assertSame([], $read(['boneHeight' => 4.0, 'heelDistance' => 25.0]));
        [$hangs] = $read(['boneHeight' => 4.0, 'heelDistance' => 25.0, 'tuck' => 15.0]);
        self::assertSame([Ability::Flexion, Bound::Exact], [$hangs->ability, $hangs->bound]);
        [$rests] = $read(['boneHeight' => 0.0, 'heelDistance' => 25.0, 'tuck' => 15.0]);
        self::assertSame(Bound::AtLeast, $rests->bound, 'It may bend further.');
        self::assertSame(['boneHeight'], self::test()->followed());
        self::assertSame(['boneHeight'], self::test()->required());
    }

    public function testWhatWasMeasuredIsToldWithWhatTheHipAndTheShinLeadOneToExpect(): void
    {
        $said = static fn (array $trials): array => array_map(static fn (Reason $reason): string => $reason->code,
            PlantedHip::reasons(Person::of($trials), Side::Left));
        self::assertSame(['planted.place'], $said([]));
        [$place] = PlantedHip::reasons(Person::of([]), Side::Left);
        // Hips of 168 cm are 0.191 of that wide; hip joints 17 cm apart.
        self::assertEqualsWithDelta(['least' => 8.5, 'most' => 16.044], $place->numbers, 1e-9);
        self::assertSame(['planted.place', 'planted.measured'], $said([PlantedHip::TEST => [['boneHeight' => 4.0,
            'heelDistance' => 25.0]]]), 'Without the pelvis nobody knows what the hip does.');
        $full = [PlantedHip::TEST => [['boneHeight' => 4.0, 'heelDistance' => 25.0, 'tuck' => 15.0]]];
        self::assertSame(['planted.place', 'planted.measured', 'planted.expected'], $said($full));
        self::assertEqualsWithDelta(4.0, PlantedHip::reasons(Person::of($full), Side::Left)[2]->numbers['cm'], 1e-6,
            'Read by itself it leads back to itself.');
        $rung = static fn (array $other): RungDefinition => new RungDefinition('low', 'Low', null, [],
            new Work([], false), otherLeg: $other);
        self::assertSame([true, false, false], array_map(PlantedHip::isAskedBy(...), [$rung(['flexion' => 120.0]),
            $rung(['flexion' => 90.0]), $rung(['hamstrings' => 120.0])]));
    }

    private static function test(): TestDefinition
    {
        return Person::planted();
    }
}
