<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Component;

/** On all fours, knees apart and level with the hips: abduction of each is asin((span − w)/2 / T). */
final readonly class Frog extends SingleJoint
{
    public static function name(): string
    {
        return 'span';
    }

    public static function component(): Component
    {
        return Component::Abduction;
    }

    protected function degrees(Body $body): float
    {
        return self::inclination(($this->value - $body->hipSpacing) / 2, $body->thigh);
    }
}
