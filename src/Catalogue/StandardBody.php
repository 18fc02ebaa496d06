<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Body\UpperLengths;
use LucidAscent\Core\LegChain\Capacity;

/** A body of average proportions, on which sheets are drawn and contacts are tried. */
final class StandardBody
{
    /** cm */
    public const STATURE = 170.0;

    public static function leg(): Body
    {
        return Proportions::of(Length::cm(self::STATURE))->body(Side::Left);
    }

    public static function upper(): UpperLengths
    {
        return UpperLengths::ofStature(self::STATURE);
    }

    /** Hips open enough for every shipped posture, so that a free knee goes where it should. */
    public static function openHips(): Capacity
    {
        return new Capacity(140, 70, 115, 160);
    }
}
