<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Caution\Load;

/**
 * How much a shape asks of what it works, from 0 for nothing to about 1 for the end of what most people do (this
 * product's own scale). Whether one lies or sits in it makes no difference.
 */
final class Effort
{
    /** Degrees at which most hips and knees end, with the knee bent; and with a straight one, for the hamstrings. */
    private const FLEXED = 125.0;
    private const EXTENDED = 20.0;
    private const WIDE = 60.0;
    private const CROSSED = 30.0;
    private const TURNED_OUT = 110.0;
    private const TURNED_IN = 40.0;
    private const FOLDED = 155.0;
    private const STRAIGHT_FLEXED = 90.0;
    private const STRAIGHT_KNEE = 15.0;
    /** What no angle of a leg tells. */
    private const LOADS = [
        Load::Backbend->value => 0.8,
        Load::Neck->value => 0.9,
        Load::LoadedFold->value => 0.7,
        Load::SplitLegged->value => 0.7,
        Load::Twist->value => 0.6,
        Load::ShoulderBind->value => 0.6,
        Load::Abdomen->value => 0.6,
        Load::Balance->value => 0.5,
        Load::WeightOnHands->value => 0.5,
        Load::WeightOnKnee->value => 0.4,
        Load::HamstringEnd->value => 0.8,
        Load::HipFlexedEnd->value => 0.8,
        Load::HipExtendedEnd->value => 0.8,
        Load::LegsWideEnd->value => 0.7,
    ];

    /** Of the leg of which more is asked. */
    public static function of(PracticeRung $rung): float
    {
        $work = $rung->rung->work;
        $loads = array_intersect_key(self::LOADS, array_flip([...$work->loads, ...$work->otherLegLoads]));

        return max(0.0, self::ofLeg($work->angles), self::ofLeg($work->otherLegAngles), ...array_values($loads));
    }

    /** @param array<string, float> $angles degrees by component of the leg chain, as far as they are known */
    private static function ofLeg(array $angles): float
    {
        $flexion = $angles['flexion'] ?? 0.0;
        $abduction = $angles['abduction'] ?? 0.0;
        $rotation = $angles['rotation'] ?? 0.0;
        $knee = $angles['kneeFlexion'] ?? 0.0;

        return max(
            $flexion / ($knee < self::STRAIGHT_KNEE ? self::STRAIGHT_FLEXED : self::FLEXED),
            -$flexion / self::EXTENDED,
            $abduction / self::WIDE,
            -$abduction / self::CROSSED,
            $rotation / self::TURNED_OUT,
            -$rotation / self::TURNED_IN,
            $knee / self::FOLDED,
        );
    }
}
