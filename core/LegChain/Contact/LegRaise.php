<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Inclination;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\NearVertical;
use LucidAscent\Core\LegChain\Sitting;

/** Lying, one leg raised straight: flexion is asin(heel height / (T + S)). */
final readonly class LegRaise extends SingleJoint implements ComesToRest, Contact, Drawn, Inclination
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

    /** The sine of the angle between leg and floor: a height over a length, both in cm. */
    public function ratio(Body $body): float
    {
        return $this->value / ($body->thigh + $body->shin);
    }

    public function direction(): int
    {
        return 1;
    }

    public static function about(): About
    {
        return new About(
            'contact.leg-raise',
            [Control::cm('heelHeight', 'control.heelHeight', 0, 90, 60)],
            lies: -90.0,
            shows: ['flexion' => [Ability::Hamstrings, 1.0]],
            test: new TestReading(1.5, takesAngle: true, needs: ['heelHeight']),
        );
    }

    /** A seat against the wall leaves raised legs nowhere to go. */
    public static function isResting(SetUp $set): bool
    {
        return $set->has('gap') && $set->number('gap') <= 0.0;
    }

    public function drawn(Body $body): LegPose
    {
        return LegChain::forward($body, new Sitting(0.0, -90.0), new LegAngles($this->degrees($body), 0, 0, 0));
    }
}
