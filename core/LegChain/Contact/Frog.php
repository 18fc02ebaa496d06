<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\Sitting;

/** On all fours, knees apart and level with the hips: abduction of each is asin((span − w)/2 / T). */
final readonly class Frog extends SingleJoint implements Contact, Drawn
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

    public static function about(): About
    {
        return new About(
            'contact.frog',
            [Control::cm('span', 'control.kneeSpan', 20, 110, 80)],
            OtherLeg::Alike,
            85.0,
            test: new TestReading(2.4),
        );
    }

    public function drawn(Body $body): LegPose
    {
        $abduction = $this->degrees($body);

        return LegChain::forward(
            $body,
            new Sitting(
                max(0.0, $body->thigh * cos(deg2rad($abduction)) + LegChain::HALF_KNEE - $body->seatedHipHeight),
            ),
            new LegAngles(0, $abduction, 0, 90),
        );
    }
}
