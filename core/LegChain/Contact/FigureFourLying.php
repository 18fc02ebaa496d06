<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;

/** Figure four lying on the back, the other thigh folded by 90° unless said (this product's own constant). */
final class FigureFourLying implements Contact
{
    private const LYING = -90.0;

    public static function about(): About
    {
        return new About('Figure four, lying', [FigureFour::control(90.0)], OtherLeg::Folded, self::LYING);
    }

    public static function of(SetUp $set): Posture
    {
        return new FreeKnee(
            new FigureFour($set->number(FigureFour::OTHER), new Sitting(0.0, self::LYING)),
            $set->capacity(),
        );
    }
}
