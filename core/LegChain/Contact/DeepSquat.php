<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/**
 * Deep squat, heels down: hip joint so high above the floor, the foot flat 10 cm ahead of the hip
 * line, and so wide a stance between the ankles (cm). The weight over the feet and the 10 cm are
 * this product's own simplification.
 */
final readonly class DeepSquat extends SeatedContact implements Contact
{
    private const AHEAD = 10.0;

    /** @throws InvalidValue when a length is negative or not finite */
    public function __construct(public float $hipHeight, public float $stance, public float $pelvicTilt = 0.0)
    {
        Check::notNegative('hipHeight', $hipHeight);
        Check::notNegative('stance', $stance);
        parent::__construct(new Sitting(0.0, $pelvicTilt));
    }

    public function hip(Body $body): Vector
    {
        return new Vector(0.0, $body->hipSpacing / 2, $this->hipHeight);
    }

    public function ankle(Body $body): Vector
    {
        return new Vector(self::AHEAD, $this->stance / 2, $body->ankleAboveSole);
    }

    public function props(): array
    {
        return ['hipHeight' => $this->hipHeight, 'stance' => $this->stance, 'pelvicTilt' => $this->pelvicTilt];
    }

    public function shifted(string $name, float $by): static
    {
        return new self(
            $this->hipHeight + ('hipHeight' === $name ? $by : 0.0),
            $this->stance + ('stance' === $name ? $by : 0.0),
            $this->pelvicTilt + ('pelvicTilt' === $name ? $by : 0.0),
        );
    }

    public function seated(Sitting $sitting): static
    {
        return new self($this->hipHeight, $this->stance, $sitting->pelvicTilt);
    }

    public static function about(): About
    {
        return new About(
            'Deep squat, heels down',
            [Control::hipHeight(10, 60, 22), Control::cm('stance', 'Stance', 10, 60, 30), Control::pelvicTilt()],
            OtherLeg::Alike,
        );
    }

    public static function of(SetUp $set): Posture
    {
        return new FreeKnee(
            new self($set->number('hipHeight'), $set->number('stance'), $set->sitting()->pelvicTilt),
            $set->capacity(),
        );
    }
}
