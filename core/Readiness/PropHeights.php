<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Readiness\Gate\Sitting;

/** How high the prop of a rung has to be for one side of one person. */
final class PropHeights
{
    /** @return float|null height of the prop's top, in cm; null where nothing was read that tells */
    public static function of(RungReading $rung, KnownPerson $person, Side $side): ?float
    {
        return match ($rung->rung->prop) {
            PropRule::KneeBlock => $rung->propHeight,
            PropRule::LevelSeat => self::levelSeat($person, $side),
            PropRule::None => null,
        };
    }

    /** Seat height at which the knees of soles-together sitting are no higher than the hips. */
    private static function levelSeat(KnownPerson $person, Side $side): ?float
    {
        $taken = $person->newest(Sitting::TEST, $side);
        if (null === $taken || !$taken->isClean() || !$taken->has('kneeHeight')) {
            return null;
        }

        return $taken->sitting->seat + max(0.0, $taken->measure('kneeHeight')->mean() - $taken->sitting->hipHeight($person->proportions->body($side)));
    }
}
