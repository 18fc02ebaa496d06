<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\IsReadByJoints;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sitting;

/**
 * Cow face, the top leg: the knees lie over each other on the midline, this one at its measured
 * height; the shin goes back past the other hip, its ankle 6 cm above the floor and so far ahead
 * of the hip line as the heel is (cm; 0 is level with the hips). It asks for crossing over the
 * midline with the thigh turned. The constant is this product's own.
 */
final readonly class CowFace implements ChainReading, Contact, Posture
{
    use IsReadByJoints;

    private const ANKLE_HEIGHT = 6.0;

    /** @throws InvalidValue when a length is negative or not finite */
    public function __construct(public float $kneeHeight, public float $heelAhead, private Sitting $sitting)
    {
        Check::notNegative('kneeHeight', $kneeHeight);
        Check::notNegative('heelAhead', $heelAhead);
    }

    public function joints(Body $body): array
    {
        $y = $body->hipSpacing / 2;
        $z = $this->sitting->hipHeight($body);
        $ahead = $body->thigh ** 2 - $y ** 2 - ($this->kneeHeight - $z) ** 2;
        if ($ahead < 0.0) {
            throw OutOfReach::kneeHeight($this->kneeHeight);
        }
        $x = sqrt($ahead);
        $aside = $body->shin ** 2 - ($x - $this->heelAhead) ** 2 - ($this->kneeHeight - self::ANKLE_HEIGHT) ** 2;
        if ($aside < 0.0) {
            throw OutOfReach::because('The shin does not reach so far back with the knee on the midline.');
        }

        return [0.0, $y, $z, $x, 0.0, $this->kneeHeight, $this->heelAhead, -sqrt($aside), self::ANKLE_HEIGHT];
    }

    public function pelvicTilt(): float
    {
        return $this->sitting->pelvicTilt;
    }

    public function readingErrors(): array
    {
        return ['kneeHeight' => Reading::TAPE_ERROR, 'heelAhead' => Reading::TAPE_ERROR];
    }

    public function props(): array
    {
        return ['kneeHeight' => $this->kneeHeight, 'heelAhead' => $this->heelAhead] + $this->sitting->props();
    }

    public function shifted(string $name, float $by): static
    {
        return new self(
            $this->kneeHeight + ('kneeHeight' === $name ? $by : 0.0),
            $this->heelAhead + ('heelAhead' === $name ? $by : 0.0),
            $this->sitting->shifted($name, $by),
        );
    }

    /** Crossing over the midline is abduction below zero. */
    public static function about(): About
    {
        return new About('contact.cow-face', [
            Control::kneeHeight(8, 40, 18),
            Control::cm('heelAhead', 'control.heelAhead', 0, 30, 4),
            Control::seat(),
            Control::pelvicTilt(),
        ], shows: ['abduction' => [Ability::Adduction, -1.0]], test: new TestReading(4.0, isSeated: true));
    }

    public static function of(SetUp $set): Posture
    {
        return new self($set->number('kneeHeight'), $set->number('heelAhead'), $set->sitting());
    }
}
