<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\Sitting;

/** Straight legs apart, ankle to ankle: abduction of each is asin((span − w)/2 / (T + S)). */
final readonly class WideLegs extends SingleJoint implements Contact, Drawn
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

    public static function about(): About
    {
        return new About(
            'contact.wide-legs',
            [Control::cm('span', 'control.ankleSpan', 20, 180, 120)],
            OtherLeg::Alike,
            shows: ['abduction' => [Ability::StraightAbduction, 1.0]],
            test: new TestReading(1.5, takesAngle: true),
        );
    }

    public function drawn(Body $body): LegPose
    {
        return LegChain::forward($body, new Sitting(), new LegAngles(90, $this->degrees($body), 0, 0));
    }
}
