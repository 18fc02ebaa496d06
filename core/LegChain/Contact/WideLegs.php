<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Component;

/** Straight legs apart, ankle to ankle: abduction of each is asin((span − w)/2 / (T + S)). */
final readonly class WideLegs extends SingleJoint
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
        return self::inclination(($this->value - $body->hipSpacing) / 2, $body->thigh + $body->shin);
    }
}
