<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Figure;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Arm\ByAngles as ArmByAngles;
use LucidAscent\Core\Figure\Arm\Reaches;
use LucidAscent\Core\Figure\FigureFaults;
use LucidAscent\Core\Figure\HipHeight;
use LucidAscent\Core\Figure\Leg\FootAt;
use LucidAscent\Core\Figure\Leg\Kneels;
use LucidAscent\Core\Figure\Leg\Long;
use LucidAscent\Core\Figure\Props;
use LucidAscent\Core\Figure\Segment;
use LucidAscent\Core\Figure\Solid;
use LucidAscent\Core\Figure\Tape;
use LucidAscent\Core\Figure\Touches;
use LucidAscent\Core\LegChain\Vector;
use PHPUnit\Framework\TestCase;

/** What cannot be right about a figure; what carries it, what touches, which props stand where. */
final class FigureFaultsTest extends TestCase
{
    use BuildsFigures;

    public function testStandingStillThereIsNothingWrong(): void
    {
        self::assertSame([], FigureFaults::of(self::figure()));
    }

    public function testWhatIsUnderTheFloorIsNamed(): void
    {
        $faults = FigureFaults::of(self::figure(30.0));
        self::assertStringContainsString('under the floor', implode(' ', $faults));
        self::assertStringContainsString('left-foot', implode(' ', $faults));
        // Within a centimetre it settles.
        self::assertSame([], FigureFaults::of(self::figure((0.491 + 0.039) * 100.0 - 0.4)));
    }

    public function testWhatIsOutOfReachIsNamed(): void
    {
        self::assertMatchesRegularExpression('/left-hand misses what it reaches for by \d+\.\d cm/',
            implode(' ', FigureFaults::of(self::figure(arm: new Reaches('foot', new Vector(0, 0, 0))))));
    }

    public function testALimbThroughAnotherIsNamedUnlessThePosePressesThem(): void
    {
        $crossed = static fn (?float $pressed): array => FigureFaults::of(self::figure(leg: self::angles(40, -14, 0, 0),
            otherLeg: self::angles(40, -14, 0, 0), pressed: $pressed));
        self::assertStringContainsString('left-shin goes', implode(' ', $crossed(null)));
        self::assertStringContainsString('into right-shin', implode(' ', $crossed(null)));
        self::assertSame([], array_filter($crossed(1.2), static fn (string $fault): bool => str_contains($fault,
            'shin')));
        self::assertStringContainsString('into left-forearm',
            implode(' ', FigureFaults::of(self::figure(arm: new ArmByAngles(0.0, -20.0)))), 'an arm through the trunk');
    }

    public function testJointsAreNoFaults(): void
    {
        // Everything bent as far as it goes: what meets in a joint may meet.
        $faults = FigureFaults::of(self::figure(HipHeight::Sits, self::angles(110, 30, 40, 140),
            self::angles(110, 30, 40, 140), new ArmByAngles(150.0, 30.0, 0.0, 140.0),
            new ArmByAngles(150.0, 30.0, 0.0, 140.0), back: 20.0));
        self::assertSame([], array_filter($faults, static fn (string $fault): bool => 1
            === preg_match('/left-thigh goes .* into left-shin|hips goes .* thigh|left-upper-arm goes .* into left-forearm/', $fault)));
    }

    public function testTwoSolidsAreAsFarApartAsTheirSurfaces(): void
    {
        $along = static fn (float $y, float $r): Segment => new Segment('a', 'x', 'y', new Vector(0, $y, 0),
            new Vector(10, $y, 0), $r, $r);
        self::assertEqualsWithDelta(2.0, $along(0.0, 3.0)->gap($along(10.0, 5.0)), 1e-9);
        self::assertEqualsWithDelta(-1.0, $along(0.0, 6.0)->gap($along(10.0, 5.0)), 1e-9);
        $crossing = new Segment('b', 'x', 'y', new Vector(5, -5, 4), new Vector(5, 5, 4), 1.0, 1.0);
        self::assertEqualsWithDelta(2.0, $along(0.0, 1.0)->gap($crossing), 1e-9);
        $beyond = new Segment('c', 'x', 'y', new Vector(13, 4, 0), new Vector(20, 4, 0), 1.0, 1.0);
        self::assertEqualsWithDelta(3.0, $along(0.0, 1.0)->gap($beyond), 1e-9, 'end to end');
        $tapered = new Segment('d', 'x', 'y', new Vector(0, 10, 0), new Vector(10, 10, 0), 2.0, 4.0);
        self::assertEqualsWithDelta(3.0, $tapered->radius(0.5), 1e-9);
        $point = new Segment('e', 'x', 'y', new Vector(0, 7, 0), new Vector(0, 7, 0), 1.0, 1.0);
        self::assertEqualsWithDelta(5.0, $along(0.0, 1.0)->gap($point), 1e-9);
        self::assertEqualsWithDelta(5.0, $point->gap($along(0.0, 1.0)), 1e-9);
    }

    public function testWhatCarriesABody(): void
    {
        self::assertSame(['left-foot', 'right-foot'], Touches::carrying(self::figure()));
        self::assertContains('seat', Touches::carrying(self::figure(HipHeight::Sits, new Long(0.0), new Long(0.0))));
        self::assertContains('back', Touches::carrying(self::figure(HipHeight::Lies, new Long(0.0), new Long(0.0),
            tilt: -90.0)));
        self::assertContains('front', Touches::carrying(self::figure(HipHeight::Lies, new Long(180.0, true),
            new Long(180.0, true), tilt: 90.0)));
        self::assertContains('side', Touches::carrying(self::figure(HipHeight::LiesOnSide, lean: 90.0)));
        $kneeling = Touches::carrying(self::figure(HipHeight::Kneels, new Kneels(0.0, 180.0), new Kneels(0.0, 180.0)));
        self::assertContains('left-knee', $kneeling);
        self::assertNotContains('seat', $kneeling);
    }

    public function testAFootOnTheOtherThighTouchesIt(): void
    {
        $touches = Touches::ofBody(self::figure(HipHeight::Sits,
            new FootAt(10.0, -10.3, 12.6, new Vector(0.4, 1, 0.3), null), new Long(0.0)));
        self::assertContains('right-thigh', array_column(array_filter($touches,
            static fn (array $t): bool => 'left-foot' === $t['what']), 'to'));
        foreach ($touches as $touch) {
            self::assertLessThanOrEqual(3.0, abs($touch['gap']));
        }
        self::assertSame([], array_filter(Touches::ofBody(self::figure()),
            static fn (array $t): bool => str_ends_with($t['what'], '-foot')),
            'standing, no foot touches the other leg');
    }

    public function testPropsStandWhereTheyCarry(): void
    {
        $sitting = self::figure(HipHeight::Sits, self::angles(70, 40, 50, 110), new Long(0.0), raised: 8.0);
        [$seat] = Props::of($sitting, [['at' => 'seat', 'what' => 'blanket']]);
        self::assertSame('seat-blanket', $seat->what);
        self::assertEqualsWithDelta(8.0, $seat->height, 1e-6);
        [$block] = Props::of($sitting, [['at' => 'knee', 'what' => 'block']]);
        self::assertEqualsWithDelta($sitting->point('left-knee')->z - 5.0, $block->height, 1e-6);
        self::assertSame([], Props::of(self::figure(HipHeight::Sits, new Long(0.0), new Long(0.0)),
            [['at' => 'seat', 'what' => 'blanket']]), 'nothing under a seat that is on the floor');
        self::assertSame([], Props::of($sitting, [['at' => 'nowhere', 'what' => 'thing']]));
        [$behind] = Props::of($sitting, [['at' => 'behind', 'what' => 'wall']]);
        self::assertTrue($behind->isBackdrop());
        self::assertLessThan(-10.0, $behind->points[0]->x);
        [$feet] = Props::of($sitting, [['at' => 'feet', 'what' => 'wall']]);
        self::assertGreaterThan($sitting->point('left-toe')->x, $feet->points[0]->x);
        foreach (Side::cases() as $side) {
            [$beside] = Props::of(self::figure(working: $side), [['at' => 'beside', 'what' => 'wall']]);
            self::assertLessThan(0.0, $beside->points[0]->y * (Side::Left === $side ? 1.0 : -1.0),
                'on the side that does not work');
            self::assertLessThan($beside->points[1]->y, $beside->points[0]->y);
        }
    }

    public function testAStrapGoesFromTheHandThatHoldsItToTheNearerFoot(): void
    {
        $figure = self::figure(HipHeight::Sits, new Long(0.0), new Long(0.0),
            new Reaches('foot', new Vector(0, 0, 0), isStrapped: true));
        $straps = Props::of($figure, [['at' => 'hand-to-foot', 'what' => 'strap']]);
        self::assertCount(1, $straps);
        self::assertTrue($straps[0]->isStrap);
        self::assertPoint($figure->point('left-hand'), $straps[0]->points[0]);
        self::assertPoint($figure->point('left-foot'), $straps[0]->points[1]);
        $hands = Props::of($figure, [['at' => 'between-hands', 'what' => 'strap']]);
        self::assertPoint($figure->point('right-hand'), $hands[0]->points[1]);
        self::assertEqualsWithDelta($hands[0]->height, $figure->point('left-hand')->minus($figure->point('right-hand'))
            ->length(), 1e-9);
    }

    public function testAHandHighUpStandsOnNoBlock(): void
    {
        $figure = self::figure(20.0, new Kneels(180.0, 180.0), new Kneels(180.0, 180.0),
            new Reaches(null, new Vector(0, 0, 4)), new ArmByAngles(160.0, 20.0), tilt: 70.0);
        self::assertLessThanOrEqual(1, count(array_filter(Props::of($figure, [['at' => 'hands', 'what' => 'block']]),
            static fn (Solid $s): bool => true)));
    }

    public function testATapeGoesFromLandmarkToLandmark(): void
    {
        $figure = self::figure(HipHeight::Sits, self::angles(70, 40, 50, 110), new Long(0.0), working: Side::Right);
        $tape = Tape::of($figure, 'kneeHeight', 'knee', 'floor');
        self::assertPoint($figure->point('right-knee'), $tape->from, 1e-9, 'of the side that works');
        self::assertSame(0.0, $tape->to->z);
        self::assertPoint($figure->point('left-knee'), Tape::of($figure, 'span', 'knee', 'other-knee')->to);
        self::assertPoint($figure->point('nose'), Tape::of($figure, 'gap', 'nose', 'floor')->from);
        self::assertSame(0.0, Tape::of($figure, 'heelDistance', 'groin', 'heel')->from->y);
    }

    public function testAPartThatThereIsNotIsAnError(): void
    {
        $this->expectException(\OutOfBoundsException::class);
        self::figure()->segment('tail');
    }
}
