<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Sitting;

/**
 * Lying prone, heel drawn to the seat: with the distance g from hip to ankle joint centre, the law
 * of cosines gives knee flexion k = 180° − acos((T² + S² − g²) / 2TS).
 */
final readonly class HeelToSeat extends SingleJoint implements Contact, Drawn
{
    public static function name(): string
    {
        return 'gap';
    }

    public static function component(): Component
    {
        return Component::KneeFlexion;
    }

    protected function degrees(Body $body): float
    {
        $cosine = ($body->thigh ** 2 + $body->shin ** 2 - $this->value ** 2) / (2 * $body->thigh * $body->shin);
        if (abs($cosine) > 1.0) {
            throw OutOfReach::ankle();
        }

        return 180.0 - rad2deg(acos($cosine));
    }

    public static function about(): About
    {
        return new About(
            'contact.heel-to-seat',
            [Control::cm('gap', 'control.hipToAnkle', 5, 80, 20)],
            OtherLeg::Behind,
            85.0,
            test: new TestReading(2.0, takesAngle: true),
        );
    }

    public function drawn(Body $body): LegPose
    {
        return LegChain::forward($body, new Sitting(0.0, 90.0), new LegAngles(0, 0, 0, $this->degrees($body)));
    }
}
