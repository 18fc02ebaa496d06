<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;

/**
 * Full lotus, the second leg: the first lies as in deep half lotus, and this one comes over its shin, so
 * that its ankle is a shin's thickness higher. A shin is taken to be 6 cm thick there (this product's own
 * constant).
 */
final class FullLotus implements Contact
{
    private const SHIN_THICKNESS = 6.0;

    public static function place(Sitting $sitting): AnkleOnThigh
    {
        return HalfLotus::place($sitting)->shifted('above', self::SHIN_THICKNESS);
    }

    public static function about(): About
    {
        return new About(
            'contact.full-lotus',
            [Control::seat(), Control::pelvicTilt()],
            OtherLeg::Works,
            putsFootOnThigh: true,
        );
    }

    public static function of(SetUp $set): Posture
    {
        return new FreeKnee(self::place($set->sitting()), $set->capacity());
    }
}
