<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;

/**
 * Figure four lying on the back, the other thigh folded by 90° unless said (this product's own constant). Read by the
 * heights of knee and ankle above the floor, or of the knee and how far the other thigh is folded.
 */
final class FigureFourLying implements ComesToRest, Contact
{
    public static function about(): About
    {
        return new About(
            'contact.figure-four-lying',
            [FigureFour::control(90.0)],
            OtherLeg::Folded,
            Sitting::ON_BACK,
            test: new TestReading(3.0, needs: ['kneeHeight'], mayRest: true),
        );
    }

    public static function of(SetUp $set): Posture
    {
        return $set->has('kneeHeight')
            ? new KneeAtHeight(FigureFour::read($set, Sitting::onBack()), $set->number('kneeHeight'))
            : new FreeKnee(new FigureFour($set->number(FigureFour::OTHER), Sitting::onBack()), $set->capacity());
    }

    /** A knee at its own thickness lies on the floor. */
    public static function isResting(SetUp $set): bool
    {
        return $set->number('kneeHeight') <= LegChain::HALF_KNEE;
    }
}
