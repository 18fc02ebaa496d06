<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Posture;

/**
 * Figure four seated on the floor, the other foot planted: its thigh is folded by 120° unless said (this product's own
 * constant).
 */
final class FigureFourSeated implements Contact
{
    public static function about(): About
    {
        return new About('Figure four, seated', [FigureFour::control(120.0)], OtherLeg::Folded);
    }

    public static function of(SetUp $set): Posture
    {
        return new FreeKnee(new FigureFour($set->number(FigureFour::OTHER), $set->sitting()), $set->capacity());
    }
}
