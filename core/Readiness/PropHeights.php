<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\PropAdvice;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Readiness\Gate\Sitting;

/** How high, or how long, the prop of a rung has to be for one side of one person. */
final readonly class PropHeights
{
    /**
     * @return float|null height of the prop's top or length of the strap, in cm; null where nothing was read that tells
     */
    public static function of(RungReading $rung, Snapshot $person, Side $side): ?float
    {
        return match ($rung->rung->prop) {
            PropRule::KneeBlock => $rung->propHeight,
            PropRule::KneeGap, PropRule::HipGap => self::gap($rung, $person, $side),
            PropRule::LevelSeat => self::levelSeat($person, $side),
            PropRule::HandsGap, PropRule::FootStrap => self::strap($rung, $person, $side),
            PropRule::None => null,
        };
    }

    /** As far as the joint comes down by what this side has shown; 0 where it comes to the floor. */
    private static function gap(RungReading $rung, Snapshot $person, Side $side): ?float
    {
        $rule = $rung->rung->prop;
        $prop = $rule->carries();
        $capacities = $person->capacities($side, $rung->since);
        $shown = $capacities->shown();
        if (null === $prop || null === $rung->posture || null === $shown) {
            return null;
        }
        $body = $person->proportions->body($side);
        $props = $rung->posture->props();
        if (!isset($props[$prop->value])) {
            return null;
        }
        // A joint lies no lower than on the floor, or on the ankle that is under it.
        $lowest = max($rule->below($body), PropRule::KneeGap === $rule ? $props['ankleHeight'] ?? 0.0 : 0.0);
        // As for a block under the knee, the bend of the knee itself is not asked: what hangs does not fold further.
        $height = PropAdvice::least(
            $rung->posture->shifted($prop->value, $lowest - $props[$prop->value]),
            $body,
            new Capacity($shown->flexion, $shown->abduction, $shown->rotation),
            [],
            $prop,
            $lowest,
        );

        return null === $height ? null : $height - $rule->below($body);
    }

    /** Seat height at which the knees of soles-together sitting are no higher than the hips. */
    private static function levelSeat(Snapshot $person, Side $side): ?float
    {
        $taken = $person->newest(Sitting::TEST, $side);
        if (null === $taken || !$taken->isClean() || !$taken->has('kneeHeight')) {
            return null;
        }

        return $taken->sitting->seat +
            max(
                0.0,
                $taken->measure('kneeHeight')->mean() - $taken->sitting->hipHeight($person->proportions->body($side)),
            );
    }

    /** What is missing between the hands, or from hand to foot; 0 where they meet. */
    private static function strap(RungReading $rung, Snapshot $person, Side $side): ?float
    {
        $reach = $rung->rung->reach;

        return null === $reach ? null : PredictReach::strap($reach, $person, $side);
    }
}
