<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\Core\LegChain\LegPose;

/** A leg as the drawing takes it: points in cm in the frame of its own side (x forward, y outward, z up). */
final class LegFigure
{
    /** @return array{hip: list<float>, knee: list<float>, ankle: list<float>} */
    public static function of(LegPose $pose): array
    {
        return ['hip' => $pose->hip->toArray(), 'knee' => $pose->knee->toArray(), 'ankle' => $pose->ankle->toArray()];
    }
}
