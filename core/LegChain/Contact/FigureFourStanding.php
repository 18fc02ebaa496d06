<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;

/**
 * Figure four standing, the seat sunk back: the standing thigh is folded by 70° unless said (this product's
 * own constant), its shin upright on the foot.
 */
final class FigureFourStanding implements Contact
{
    public static function about(): About
    {
        return new About('contact.figure-four-standing', [FigureFour::control(70.0)], OtherLeg::Stands);
    }

    public static function of(SetUp $set): Posture
    {
        $folded = $set->number(FigureFour::OTHER);
        $hip =
            Segment::Thigh->shareOfStature() * cos(deg2rad($folded)) +
            Segment::Shin->shareOfStature() +
            Segment::AnkleAboveSole->shareOfStature();
        $seat = max(0.0, $set->stature() * ($hip - Segment::SeatedHipHeight->shareOfStature()));

        return new FreeKnee(new FigureFour($folded, new Sitting($seat)), $set->capacity());
    }
}
