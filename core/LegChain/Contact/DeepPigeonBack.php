<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\UpperBody;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/**
 * Deep pigeon, the back leg, with the foot to the hand behind the head: a chain in the side plane.
 * Hip joint so high above the floor, the back knee on it (half a knee thick), the torso bent back
 * over its length by the back bend, the arm raised by so much from hanging (180 is overhead in line
 * with the torso's end) and bent at the elbow, forearm folding back. What is left between hand and
 * ankle is the strap. Lengths in cm, angles in degrees.
 */
final readonly class DeepPigeonBack implements Contact, Drawn, HasStrap, Posture
{
    private const STRAIGHT = 1e-9;

    /** @throws InvalidValue when a length is not more than zero, or an angle out of its range */
    public function __construct(
        public float $hipHeight,
        public float $kneeFlexion,
        public float $backBend,
        public float $shoulderFlexion,
        public float $elbowFlexion,
        public float $torso,
        public float $upperArm,
        public float $forearm,
        public float $pelvicTilt = 0.0,
    ) {
        Check::notNegative('hipHeight', $hipHeight);
        Check::within('kneeFlexion', $kneeFlexion, 0.0, 180.0, 'degrees');
        Check::within('backBend', $backBend, 0.0, 180.0, 'degrees');
        Check::within('shoulderFlexion', $shoulderFlexion, 0.0, 220.0, 'degrees');
        Check::within('elbowFlexion', $elbowFlexion, 0.0, 160.0, 'degrees');
        Check::within('pelvicTilt', $pelvicTilt, -90.0, 90.0, 'degrees');
        Check::positive('torso', $torso);
        Check::positive('upperArm', $upperArm);
        Check::positive('forearm', $forearm);
    }

    /** Flexion is negative: the thigh is behind. */
    public function angles(Body $body): array
    {
        return [
            'flexion' => -$this->extension($body),
            'kneeFlexion' => $this->kneeFlexion,
        ];
    }

    /** From the hand to the ankle that it draws, in cm: so long a strap is needed. */
    public function strap(Body $body): float
    {
        // Directions in the side plane by their angle from straight up, backwards positive.
        $thigh = 180.0 - ($this->extension($body) + $this->pelvicTilt);
        $shin = $thigh - $this->kneeFlexion;
        $knee = self::along($thigh, $body->thigh);
        $ankle = $knee->plus(self::along($shin, $body->shin));

        $bend = deg2rad($this->backBend);
        $shoulder =
            abs($bend) < self::STRAIGHT
                ? self::along(-$this->pelvicTilt, $this->torso)
                : self::along(
                    $this->backBend / 2 - $this->pelvicTilt,
                    ($this->torso * 2 * sin($bend / 2)) / $bend,
                );
        $upperArm = $this->backBend - $this->pelvicTilt + $this->shoulderFlexion - 180.0;
        $hand = $shoulder
            ->plus(self::along($upperArm, $this->upperArm))
            ->plus(self::along($upperArm + $this->elbowFlexion, $this->forearm));

        return $hand->minus($ankle)->length();
    }

    public function readingErrors(): array
    {
        return ['hipHeight' => Reading::TAPE_ERROR];
    }

    public function props(): array
    {
        return [
            'hipHeight' => $this->hipHeight,
            'kneeFlexion' => $this->kneeFlexion,
            'backBend' => $this->backBend,
            'shoulderFlexion' => $this->shoulderFlexion,
            'elbowFlexion' => $this->elbowFlexion,
            'pelvicTilt' => $this->pelvicTilt,
        ];
    }

    public function shifted(string $name, float $by): static
    {
        $at = static fn (string $prop): float => $prop === $name ? $by : 0.0;

        return new self(
            $this->hipHeight + $at('hipHeight'),
            $this->kneeFlexion + $at('kneeFlexion'),
            $this->backBend + $at('backBend'),
            $this->shoulderFlexion + $at('shoulderFlexion'),
            $this->elbowFlexion + $at('elbowFlexion'),
            $this->torso,
            $this->upperArm,
            $this->forearm,
            $this->pelvicTilt + $at('pelvicTilt'),
        );
    }

    /** How far the thigh is behind the pelvis's own line, in degrees. */
    private function extension(Body $body): float
    {
        $drop = ($this->hipHeight - LegChain::HALF_KNEE) / $body->thigh;
        if (abs($drop) > 1.0) {
            throw OutOfReach::because(
                sprintf(
                    'With the hip %.1f cm up, the back knee does not come down to the floor.',
                    $this->hipHeight,
                ),
            );
        }

        return 90.0 - rad2deg(asin($drop)) - $this->pelvicTilt;
    }

    /** A length in a direction of the side plane, so many degrees from straight up, backwards positive. */
    private static function along(float $degrees, float $length): Vector
    {
        return new Vector(-sin(deg2rad($degrees)) * $length, 0.0, cos(deg2rad($degrees)) * $length);
    }

    /** The pelvis tips as it will, and takes the hip's share with it: the rungs before say what the hip needs. */
    public static function about(): About
    {
        return new About(
            'contact.deep-pigeon-back',
            [
                Control::hipHeight(8, 40, 18),
                Control::degrees('kneeFlexion', 'control.kneeBend', 0, 150, 100),
                Control::degrees('backBend', 'control.backBend', 0, 120, 40),
                Control::degrees('shoulderFlexion', 'control.armRaised', 90, 200, 170),
                Control::degrees('elbowFlexion', 'control.elbowBend', 0, 150, 60),
                Control::pelvicTilt(),
            ],
            shows: [
                'flexion' => null,
                'abduction' => null,
                'rotation' => null,
                'kneeFlexion' => [Ability::Quadriceps, 1.0],
            ],
        );
    }

    public static function of(SetUp $set): Posture
    {
        return new self(
            $set->number('hipHeight'),
            $set->number('kneeFlexion'),
            $set->number('backBend'),
            $set->number('shoulderFlexion'),
            $set->number('elbowFlexion'),
            $set->upper(UpperBody::Torso),
            $set->upper(UpperBody::UpperArm),
            $set->upper(UpperBody::Forearm),
            $set->sitting()->pelvicTilt,
        );
    }

    public function drawn(Body $body): LegPose
    {
        return LegChain::forward(
            $body,
            new Sitting(max(0.0, $this->hipHeight - $body->seatedHipHeight), $this->pelvicTilt),
            new LegAngles(-$this->extension($body), 0, 0, $this->kneeFlexion),
        );
    }
}
