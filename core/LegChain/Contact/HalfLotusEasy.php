<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;

/** The foot on the middle of the other thigh (this product's own constants). */
final class HalfLotusEasy implements AnkleIsPlaced
{
    public static function place(Sitting $sitting): AnkleOnThigh
    {
        return new AnkleOnThigh(22.0, -5.0, 8.0, $sitting);
    }

    public static function about(): About
    {
        return new About(
            'contact.half-lotus-easy',
            [Control::kneeHeight(5, 45, 20), Control::seat(), Control::pelvicTilt()],
            putsFootOnThigh: true,
        );
    }

    public static function ankleOf(SetUp $set): AnkleOnThigh
    {
        return self::place($set->sitting());
    }

    public static function of(SetUp $set): Posture
    {
        return new KneeAtHeight(self::ankleOf($set), $set->number('kneeHeight'));
    }
}
