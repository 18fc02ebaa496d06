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
 * Easy cross-legged sitting: the shins cross at their middle, so that the ankle lies under the
 * other knee, about 0.45 of the shin past the midline, its centre 4 cm above the floor, and so far
 * ahead of the hip line as the feet are placed (22 cm unless said; this product's own constants).
 */
final readonly class EasyCrossLeg extends SeatedContact implements Contact
{
    private const PAST_MIDLINE = 0.45;
    private const ABOVE_FLOOR = 4.0;

    /** @throws InvalidValue when the distance is negative or not finite */
    public function __construct(Sitting $sitting, public float $ahead = 22.0)
    {
        parent::__construct($sitting);
        Check::notNegative('ahead', $ahead);
    }

    public function ankle(Body $body): Vector
    {
        return new Vector($this->ahead, -self::PAST_MIDLINE * $body->shin, self::ABOVE_FLOOR);
    }

    public function props(): array
    {
        return ['ahead' => $this->ahead] + parent::props();
    }

    public function shifted(string $name, float $by): static
    {
        return new self($this->sitting->shifted($name, $by), $this->ahead + ('ahead' === $name ? $by : 0.0));
    }

    public function seated(Sitting $sitting): static
    {
        return new self($sitting, $this->ahead);
    }

    public static function about(): About
    {
        return new About(
            'contact.easy-cross-leg',
            [Control::cm('ahead', 'control.feetAhead', 10, 40, 22), Control::seat(), Control::pelvicTilt()],
            OtherLeg::Mirrors,
        );
    }

    public static function of(SetUp $set): Posture
    {
        return new FreeKnee(new self($set->sitting(), $set->number('ahead')), $set->capacity());
    }
}
