<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Posture;

/**
 * Figure four seated on the floor, the other foot planted: its thigh is folded by 120° unless said (this product's own
 * constant). Read by the heights of knee and ankle above the floor, or of the knee and how far the other thigh is
 * folded.
 */
final class FigureFourSeated implements Contact
{
    public static function about(): About
    {
        return new About(
            'contact.figure-four-seated',
            [FigureFour::control(120.0)],
            OtherLeg::Folded,
            test: new TestReading(3.0, isSeated: true, needs: ['kneeHeight']),
        );
    }

    public static function of(SetUp $set): Posture
    {
        return $set->has('kneeHeight')
            ? new KneeAtHeight(FigureFour::read($set, $set->sitting()), $set->number('kneeHeight'))
            : new FreeKnee(new FigureFour($set->number(FigureFour::OTHER), $set->sitting()), $set->capacity());
    }
}
