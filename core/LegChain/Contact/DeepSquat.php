<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\IsReadByJoints;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;

/**
 * Deep squat, heels down: hip joint so high above the floor, the foot flat 10 cm ahead of the hip
 * line, so wide a stance between the ankles (cm), and the thighs apart by 27.5°, over feet that are
 * turned out. The weight over the feet, the 10 cm and the angle between the thighs are this
 * product's own simplification.
 */
final readonly class DeepSquat implements ChainReading, Contact, Posture
{
    use IsReadByJoints;

    private const AHEAD = 10.0;
    /** How far each thigh is from the midline's direction, in degrees. */
    private const APART = 27.5;

    /** @throws InvalidValue when a length is negative or not finite */
    public function __construct(public float $hipHeight, public float $stance, private float $tilt = 0.0)
    {
        Check::notNegative('hipHeight', $hipHeight);
        Check::notNegative('stance', $stance);
        Check::within('pelvicTilt', $tilt, -90.0, 90.0, 'degrees');
    }

    public function joints(Body $body): array
    {
        $y = $body->hipSpacing / 2;
        $knee = $y + $body->thigh * sin(deg2rad(self::APART));
        [$ahead, $aside] = [self::AHEAD, $this->stance / 2];
        // The knee is as far out as the thigh says; in the upright plane there it is the point in front.
        $at =
            KneeAtHeight::knee(
                $this->hipHeight,
                0.0,
                $y,
                $body->ankleAboveSole,
                $ahead,
                $aside,
                $body->thigh,
                $body->shin,
                $knee,
            ) ?? throw OutOfReach::ankle();

        return [0.0, $y, $this->hipHeight, $at[1], $knee, $at[0], $ahead, $aside, $body->ankleAboveSole];
    }

    public function pelvicTilt(): float
    {
        return $this->tilt;
    }

    public function readingErrors(): array
    {
        return [];
    }

    public function props(): array
    {
        return ['hipHeight' => $this->hipHeight, 'stance' => $this->stance, 'pelvicTilt' => $this->tilt];
    }

    public function shifted(string $name, float $by): static
    {
        return new self(
            $this->hipHeight + ('hipHeight' === $name ? $by : 0.0),
            $this->stance + ('stance' === $name ? $by : 0.0),
            $this->tilt + ('pelvicTilt' === $name ? $by : 0.0),
        );
    }

    public static function about(): About
    {
        return new About(
            'contact.deep-squat',
            [
                Control::hipHeight(10, 60, 22),
                Control::cm('stance', 'control.stance', 10, 40, 20),
                Control::pelvicTilt(),
            ],
            OtherLeg::Alike,
        );
    }

    public static function of(SetUp $set): Posture
    {
        return new self($set->number('hipHeight'), $set->number('stance'), $set->sitting()->pelvicTilt);
    }
}
