<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\LegChain;

/** The joint angles with which a leg of a figure is drawn, in its pelvis's frame. */
final class DrawnAngles
{
    /** What a bent knee gives the muscles that cross hip and knee: so many degrees at the hip for each of the knee. */
    private const SLACK = 0.5;
    /** A knee that is bent further leaves the back of the thigh loose, in degrees. */
    private const LOOSE = 90.0;

    /** @return array{float, float, float, float} flexion, abduction, rotation and knee flexion, in degrees */
    public static function ofLeg(Figure $figure, Side $side): array
    {
        $name = $side->value;
        $frame = $figure->frames['pelvis'];
        $thigh = $figure->point("$name-knee")->minus($figure->point("$name-hip"));
        $shin = $figure->point("$name-ankle")->minus($figure->point("$name-knee"));
        $sign = $side->outward();
        [$dx, $dy, $dz] = [$thigh->dot($frame->forward), $sign * $thigh->dot($frame->left), $thigh->dot($frame->up)];
        [$sx, $sy, $sz] = [$shin->dot($frame->forward), $sign * $shin->dot($frame->left), $shin->dot($frame->up)];

        // A leg in one line turns nothing that can be seen.
        return LegChain::angles($dx, $dy, $dz, $sx, $sy, $sz, 0.0)
            ?? [rad2deg(atan2($dx, -$dz)), rad2deg(atan2($dy, hypot($dx, $dz))), 0.0, 0.0];
    }

    /**
     * What it takes of each ability to be as it is drawn: of the back of the thigh as far as a straight leg would have
     * to lift, of its front as far as the knee would have to bend with the hip straight.
     *
     * @return array<string, float> degrees by ability
     */
    public static function asAbilities(Figure $figure, Side $side): array
    {
        [$flexion, $abduction, $rotation, $knee] = self::ofLeg($figure, $side);

        return [
            Ability::Flexion->value => $flexion,
            Ability::Extension->value => -$flexion,
            Ability::Abduction->value => $abduction,
            Ability::StraightAbduction->value => $abduction,
            Ability::Adduction->value => -$abduction,
            Ability::ExternalRotation->value => $rotation,
            Ability::InternalRotation->value => -$rotation,
            Ability::KneeFlexion->value => $knee,
            Ability::Hamstrings->value => $knee < self::LOOSE ? $flexion - self::SLACK * $knee : 0.0,
            Ability::Quadriceps->value => $knee - self::SLACK * max(0.0, $flexion),
        ];
    }

    /**
     * Likewise of a trunk and its arms: how far it bends back over its length, and to a side; how far its shoulders are
     * turned against its pelvis, and how far the arm that is raised further is raised from hanging, by whatever way.
     *
     * @return array<string, float> degrees by ability
     */
    public static function ofTrunk(Figure $figure, Pose $pose, Side $side): array
    {
        $down = $figure->frames['chest']->up->times(-1.0);
        $raised = array_map(
            static function (Side $side) use ($figure, $down): float {
                $arm = $figure->point("$side->value-elbow")->minus($figure->point("$side->value-shoulder"));

                return rad2deg(acos(max(-1.0, min(1.0, $arm->dot($down) / $arm->length()))));
            },
            Side::cases(),
        );

        return [
            Ability::SpineExtension->value => -$pose->back,
            Ability::SpineRotation->value => abs($pose->twist),
            Ability::SideBend->value => $side === $figure->working ? $pose->side : -$pose->side,
            Ability::ShoulderFlexion->value => max($raised),
        ];
    }
}
