<?php

declare(strict_types=1);

namespace LucidAscent\App\Lab;

use LucidAscent\App\Exchange\LegFigure;
use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/** What the pose lab draws: the leg in question, the other leg, the torso, and the props; points in cm. */
final class LabFigure
{
    /**
     * @param array<string, float> $angles what the posture asks, by component
     *
     * @return array<string, mixed>
     */
    public static function of(LabPosture $kind, Posture $posture, array $angles, Body $body, float $torso): array
    {
        $props = $posture->props();
        $pose = $posture instanceof ChainReading ? $posture->pose($body) : self::stretched($kind, $angles, $props, $body);
        $block = $posture instanceof KneeAtHeight && $posture->kneeHeight > 2 * LowestKnee::FLOOR ? $posture->kneeHeight - LowestKnee::FLOOR : null;

        return [
            'leg' => LegFigure::of($pose) + ['block' => $block],
            'other' => self::other($kind, $pose, $props, $body),
            'torso' => self::torso($kind, $pose, $torso, $props),
            'seat' => $props['seat'] ?? 0.0,
        ];
    }

    /**
     * The leg of a test that reads one angle, drawn in the position of that test.
     *
     * @param array<string, float> $angles
     * @param array<string, float> $props
     */
    private static function stretched(LabPosture $kind, array $angles, array $props, Body $body): LegPose
    {
        $flexion = $angles['flexion'] ?? 0.0;
        $abduction = $angles['abduction'] ?? 0.0;
        $knee = $angles['kneeFlexion'] ?? 0.0;

        return match ($kind) {
            LabPosture::LegRaise => LegChain::forward($body, self::lying(), new LegAngles($flexion, 0, 0, 0)),
            LabPosture::HeelToSeat => LegChain::forward($body, new Sitting(0, 90), new LegAngles(0, 0, 0, $knee)),
            LabPosture::Frog => LegChain::forward($body, new Sitting(max(0.0, $body->thigh * cos(deg2rad($abduction)) + 5.0 - $body->seatedHipHeight)), new LegAngles(0, $abduction, 0, 90)),
            LabPosture::WideLegs => LegChain::forward($body, new Sitting(), new LegAngles(90, $abduction, 0, 0)),
            LabPosture::DeepPigeonBack => LegChain::forward($body, new Sitting(max(0.0, $props['hipHeight'] - $body->seatedHipHeight), $props['pelvicTilt']), new LegAngles($flexion, 0, 0, $knee)),
            default => LegChain::forward($body, new Sitting(), new LegAngles($flexion, $abduction, 0, 60)),
        };
    }

    private static function lying(): Sitting
    {
        return new Sitting(0.0, -90.0);
    }

    /**
     * @param array<string, float> $props
     *
     * @return array{hip: list<float>, knee: list<float>, ankle: list<float>} in the other leg's own frame
     */
    private static function other(LabPosture $kind, LegPose $pose, array $props, Body $body): array
    {
        $folded = $props['otherFlexion'] ?? null;
        if (null !== $folded) {
            // The thigh that the ankle lies across, its shin hanging or planted.
            $knee = LabPosture::FigureFourStanding === $kind ? $folded : 90.0;
            $sitting = new Sitting(max(0.0, $pose->hip->z - $body->seatedHipHeight), $props['pelvicTilt'] ?? 0.0);

            return LegFigure::of(LegChain::forward($body, $sitting, new LegAngles($folded, 0, 0, $knee)));
        }
        $hip = $pose->hip;
        $at = static fn (float $forward, float $drop): LegPose => new LegPose(
            $pose->angles,
            $hip,
            new Vector($hip->x + $forward * $body->thigh, $hip->y, max(5.0, $hip->z - $drop)),
            new Vector($hip->x + $forward * ($body->thigh + $body->shin), $hip->y, max(4.0, $hip->z - 2 * $drop)),
        );

        return LegFigure::of(match ($kind) {
            LabPosture::SolesTogether, LabPosture::WideLegs, LabPosture::Frog, LabPosture::DeepSquat, LabPosture::EasyCrossLeg => $pose,
            LabPosture::PigeonFront, LabPosture::HeelToSeat => $at(-0.99, $hip->z - 5.0),
            default => $at(0.99, min(4.0, $hip->z - 5.0)),
        });
    }

    /**
     * @param array<string, float> $props
     *
     * @return list<array{float, float, float}> from between the hips to the base of the neck
     */
    private static function torso(LabPosture $kind, LegPose $pose, float $torso, array $props): array
    {
        $tilt = match ($kind) {
            LabPosture::LegRaise, LabPosture::FigureFourLying => -90.0,
            LabPosture::HeelToSeat, LabPosture::Frog => 85.0,
            default => $props['pelvicTilt'] ?? 0.0,
        };
        $rounding = ($props['rounding'] ?? 0.0) - ($props['backBend'] ?? 0.0);
        $sitting = new Sitting(0.0, max(-90.0, min(90.0, $tilt)));
        $root = new Vector($pose->hip->x, 0.0, $pose->hip->z);

        return TorsoArc::points($root, $sitting, $torso, $rounding);
    }
}
