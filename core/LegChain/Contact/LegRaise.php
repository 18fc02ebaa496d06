<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Inclination;
use LucidAscent\Core\LegChain\NearVertical;

/** Lying, one leg raised straight: flexion is asin(heel height / (T + S)). */
final readonly class LegRaise extends SingleJoint implements Inclination
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
        return NearVertical::degrees($this, $body);
    }

    public function ratio(Body $body): float
    {
        return $this->value / ($body->thigh + $body->shin);
    }

    public function direction(): int
    {
        return 1;
    }
}
