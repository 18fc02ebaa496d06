<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Figure;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Arm\ArmPlacement;
use LucidAscent\Core\Figure\Arm\ByAngles as ArmByAngles;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\HipHeight;
use LucidAscent\Core\Figure\Leg\ByAngles;
use LucidAscent\Core\Figure\Leg\LegPlacement;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Figure\Pose;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Vector;

/** Figures for tests: standing, arms hanging, unless something else is said. */
trait BuildsFigures
{
    private static function figure(
        HipHeight|float $hips = HipHeight::Stands,
        ?LegPlacement $leg = null,
        ?LegPlacement $otherLeg = null,
        ?ArmPlacement $arm = null,
        ?ArmPlacement $otherArm = null,
        float $tilt = 0.0,
        float $lean = 0.0,
        float $turn = 0.0,
        float $roll = 0.0,
        float $back = 0.0,
        float $side = 0.0,
        float $twist = 0.0,
        float $neck = 0.0,
        float $raised = 0.0,
        Side $working = Side::Left,
        ?Physique $body = null,
        ?float $pressed = null,
    ): Figure {
        $straight = new ByAngles(new LegAngles(0.0, 0.0, 0.0, 0.0), 0.0);
        $hanging = new ArmByAngles(0.0, 20.0);

        return Figure::of(new Pose($hips, $tilt, $lean, $turn, $roll, $back, $side, $twist, $neck, $raised, $leg
            ?? $straight, $otherLeg ?? $straight, $arm ?? $hanging, $otherArm ?? $hanging, $pressed), $body
            ?? self::physique(), $working);
    }

    private static function physique(float $stature = 170.0): Physique
    {
        return Physique::of(Proportions::of(Length::cm($stature)));
    }

    private static function angles(
        float $flexion,
        float $abduction,
        float $rotation,
        float $knee,
        float $pointed = 0.0,
    ): ByAngles {
        return new ByAngles(new LegAngles($flexion, $abduction, $rotation, $knee), $pointed);
    }

    private static function assertPoint(
        Vector $expected,
        Vector $actual,
        float $delta = 1e-6,
        string $message = '',
    ): void {
        self::assertEqualsWithDelta($expected->toArray(), $actual->toArray(), $delta, $message);
    }
}
