<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;

/** The body that the known values were computed for. */
final class SampleBody
{
    public static function leg(): Body
    {
        return new Body(41.2, 41.3, 17.0, 9.0, 6.6);
    }

    public static function proportions(): Proportions
    {
        return Proportions::of(Length::cm(168.0), array_map(Length::cm(...), [
            'thigh.left' => 41.2,
            'thigh.right' => 41.2,
            'shin.left' => 41.3,
            'shin.right' => 41.3,
            'hipSpacing' => 17.0,
            'seatedHipHeight' => 9.0,
            'ankleAboveSole' => 6.6,
        ]));
    }
}
