<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Figure;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Arm\ByAngles as ArmByAngles;
use LucidAscent\Core\Figure\DrawnAngles;
use LucidAscent\Core\Figure\DrawnLoads;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\HipHeight;
use LucidAscent\Core\Figure\Leg\ByAngles;
use LucidAscent\Core\Figure\Leg\Kneels;
use LucidAscent\Core\Figure\Leg\LegPlacement;
use LucidAscent\Core\Figure\Pose;
use LucidAscent\Core\LegChain\LegAngles;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DrawnLoadsTest extends TestCase
{
    use BuildsFigures;

    /**
     * @param list<string> $own
     * @param list<string> $other
     */
    #[DataProvider('shapes')]
    public function testAPictureSaysWhatItLoads(
        array $own,
        array $other,
        bool $isLying,
        HipHeight $hips,
        LegPlacement $leg,
        ?LegPlacement $otherLeg = null,
        float $tilt = 0.0,
        float $lean = 0.0,
        float $twist = 0.0,
        ?ArmByAngles $arms = null,
        float $back = 0.0,
    ): void {
        foreach (Side::cases() as $side) {
            $straight = self::angles(0.0, 0.0, 0.0, 0.0);
            $arms ??= new ArmByAngles(0.0, 20.0);
            $pose = new Pose($hips, $tilt, $lean, 0.0, 0.0, $back, 0.0, $twist, 0.0, 0.0, $leg, $otherLeg ?? $straight,
                $arms, $arms);
            $drawn = DrawnLoads::of(Figure::of($pose, self::physique(), $side), $pose);
            self::assertEqualsCanonicalizing([$own, $other], [$drawn->own, $drawn->other], $side->value);
            self::assertSame($isLying, $drawn->isLying);
        }
    }

    /** @return iterable<string, array<mixed>> */
    public static function shapes(): iterable
    {
        $stand = HipHeight::Stands;
        $leg = self::angles(...);
        yield 'standing' => [[], [], false, $stand, $leg(0, 0, 0, 0)];
        yield 'a knee a little beyond a right angle' => [[], [], false, $stand, $leg(40, 0, 0, 99)];
        yield 'a folded knee' => [['knee-folded'], [], false, $stand, $leg(40, 0, 0, 101)];
        yield 'of the other leg' => [[], ['knee-folded'], false, $stand, $leg(0, 0, 0, 0), $leg(40, 0, 0, 101)];
        yield 'turned out' => [['turn-out'], [], false, $stand, $leg(40, 0, 57, 70)];
        yield 'hardly bent: nobody sees how it turns' => [[], [], false, $stand, $leg(40, 0, 57, 50)];
        yield 'so wide that nobody sees it' => [['legs-wide-end'], [], false, $stand, $leg(40, 58, 57, 70)];
        yield 'turned in' => [['turn-in'], [], false, $stand, $leg(40, 0, -27, 70)];
        yield 'crossing' => [['crossing'], [], false, $stand, $leg(40, -22, 0, 70)];
        yield 'flexed to the end' => [['hip-flexed-end'], [], false, $stand, $leg(112, 0, 0, 60)];
        yield 'nearly so' => [[], [], false, $stand, $leg(108, 0, 0, 60)];
        yield 'leaning aside: nobody sees it' => [[], [], false, $stand, $leg(112, 0, 57, 70), null, 0.0, 25.0];
        yield 'extended to the end' => [['hip-extended-end'], [], false, $stand, $leg(-22, 0, 0, 5)];
        yield 'wide to the end' => [['legs-wide-end'], [], false, $stand, $leg(0, 52, 0, 5)];
        yield 'a long leg' => [['hamstring-end'], [], false, $stand, $leg(92, 0, 0, 5)];
        yield 'one that is bent' => [[], [], false, $stand, $leg(92, 0, 0, 30)];
        yield 'turned' => [['twist'], [], false, $stand, $leg(0, 0, 0, 0), null, 0.0, 0.0, -22.0];
        yield 'turned a little' => [[], [], false, $stand, $leg(0, 0, 0, 0), null, 0.0, 0.0, 18.0];
        yield 'rounded' => [['loaded-fold'], [], false, $stand, $leg(0, 0, 0, 0), null, 0.0, 0.0, 0.0, null, 52.0];
        yield 'rounded a little' => [[], [], false, $stand, $leg(0, 0, 0, 0), null, 0.0, 0.0, 0.0, null, 48.0];
        yield 'rounded lying' => [['on-the-back'], [], true, HipHeight::Lies, $leg(0, 0, 0, 0), null, -90.0, 0.0, 0.0,
            null, 52.0];
        yield 'on the back' => [['on-the-back'], [], true, HipHeight::Lies, $leg(0, 0, 0, 0), null, -90.0];
        yield 'on the front' => [['prone'], [], true, HipHeight::Lies, $leg(0, 0, 0, 0), null, 90.0];
        yield 'on the back, the other knee rests' => [['on-the-back'], [], true, HipHeight::Lies, $leg(0, 0, 0, 0),
            $leg(50, 0, 0, 120), -90.0];
        yield 'kneeling' => [['weight-on-knee'], ['weight-on-knee'], false, HipHeight::Kneels, new Kneels(0.0, 180.0),
            new Kneels(0.0, 180.0)];
    }

    public function testAnglesAreReadBackAsTheyWereDrawn(): void
    {
        foreach ([[70.0, 20.0, 40.0, 95.0], [-15.0, 5.0, 0.0, 40.0], [110.0, 30.0, -20.0, 60.0]] as $angles) {
            foreach (Side::cases() as $side) {
                $figure = self::figure(HipHeight::Stands, new ByAngles(new LegAngles(...$angles), 0.0),
                    tilt: 12.0, working: $side);
                self::assertEqualsWithDelta($angles, DrawnAngles::ofLeg($figure, $side), 1e-6);
            }
        }
        $straight = self::figure(HipHeight::Stands, self::angles(30.0, 20.0, 0.0, 0.0));
        self::assertEqualsWithDelta([30.0, 20.0, 0.0, 0.0], DrawnAngles::ofLeg($straight, Side::Left), 1e-3);
    }
}
