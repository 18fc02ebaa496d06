<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Component;

/** Lying, one leg raised straight: flexion is asin(heel height / (T + S)). */
final readonly class LegRaise extends SingleJoint
{
    public static function name(): string
    {
        return 'heelHeight';
    }

    public static function component(): Component
    {
        return Component::Flexion;
    }

    protected function degrees(Body $body): float
    {
        return self::inclination($this->value, $body->thigh + $body->shin);
    }
}
