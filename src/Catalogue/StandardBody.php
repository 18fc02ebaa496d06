<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;

/** A body of average proportions, on which sheets are drawn and contacts are tried. */
final class StandardBody
{
    public static function ofStature(float $cm): Body
    {
        return Proportions::of(Length::cm($cm))->body(Side::Left);
    }
}
