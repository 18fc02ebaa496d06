<?php

declare(strict_types=1);

namespace LucidAscent\App\Lab;

use LucidAscent\App\Exchange\LegFigure;
use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Contact\About;
use LucidAscent\Core\LegChain\Contact\Drawn;
use LucidAscent\Core\LegChain\Contact\FigureFour;
use LucidAscent\Core\LegChain\Contact\OtherLeg;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/** What the pose lab draws: the leg in question, the other leg, the torso, and the props; points in cm. */
final class LabFigure
{
    /** @return array<string, mixed> */
    public static function of(About $contact, Posture $posture, Body $body, float $torso): array
    {
        $props = $posture->props();
        $pose = match (true) {
            $posture instanceof ChainReading => $posture->pose($body),
            $posture instanceof Drawn => $posture->drawn($body),
            default => throw new \LogicException(sprintf('Nothing says how "%s" is drawn.', $contact->label)),
        };
        $block = $posture instanceof KneeAtHeight && $posture->kneeHeight > 2 * LegChain::HALF_KNEE ? $posture->kneeHeight - LegChain::HALF_KNEE : null;

        return [
            'leg' => LegFigure::of($pose) + ['block' => $block],
            'other' => self::other($contact->other, $pose, $props, $body),
            'torso' => self::torso($contact->lies, $pose, $torso, $props),
            'seat' => $props['seat'] ?? 0.0,
        ];
    }

    /**
     * @param array<string, float> $props
     *
     * @return array{hip: list<float>, knee: list<float>, ankle: list<float>} in the other leg's own frame
     */
    private static function other(OtherLeg $other, LegPose $pose, array $props, Body $body): array
    {
        $hip = $pose->hip;
        $folded = $props[FigureFour::OTHER] ?? 0.0;
        $sitting = new Sitting(max(0.0, $hip->z - $body->seatedHipHeight), $props['pelvicTilt'] ?? 0.0);
        $at = static fn (float $forward, float $drop): LegPose => new LegPose(
            $pose->angles,
            $hip,
            new Vector($hip->x + $forward * $body->thigh, $hip->y, max(LegChain::HALF_KNEE, $hip->z - $drop)),
            new Vector($hip->x + $forward * ($body->thigh + $body->shin), $hip->y, max(4.0, $hip->z - 2 * $drop)),
        );

        return LegFigure::of(match ($other) {
            OtherLeg::Alike, OtherLeg::Mirrors => $pose,
            OtherLeg::Folded => LegChain::forward($body, $sitting, new LegAngles($folded, 0, 0, 90.0)),
            OtherLeg::Stands => LegChain::forward($body, $sitting, new LegAngles($folded, 0, 0, $folded)),
            OtherLeg::Behind => $at(-0.99, $hip->z - LegChain::HALF_KNEE),
            OtherLeg::Ahead, OtherLeg::Works => $at(0.99, min(4.0, $hip->z - LegChain::HALF_KNEE)),
        });
    }

    /**
     * @param array<string, float> $props
     *
     * @return list<array{float, float, float}> from between the hips to the base of the neck
     */
    private static function torso(?float $lies, LegPose $pose, float $torso, array $props): array
    {
        $tilt = $lies ?? $props['pelvicTilt'] ?? 0.0;
        $rounding = ($props['rounding'] ?? 0.0) - ($props['backBend'] ?? 0.0);
        $sitting = new Sitting(0.0, max(-90.0, min(90.0, $tilt)));
        $root = new Vector($pose->hip->x, 0.0, $pose->hip->z);

        return TorsoArc::points($root, $sitting, $torso, $rounding);
    }
}
