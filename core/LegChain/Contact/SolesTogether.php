<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/**
 * Sitting with the soles against each other. Heel distance, in cm, is measured along the
 * midline from the groin to the heels. The soles meet on the midline, so the ankle centre is
 * its own height above the sole away from it; it lies 3 cm ahead of the back of the heel and
 * 4 cm above the floor (this product's own constants).
 */
final readonly class SolesTogether extends SeatedContact implements AnkleIsPlaced
{
    public const AHEAD_OF_HEEL = 3.0;
    private const ABOVE_FLOOR = 4.0;

    /** @throws InvalidValue when the distance is negative or not finite */
    public function __construct(public float $heelDistance, Sitting $sitting)
    {
        parent::__construct($sitting);
        if (!($heelDistance >= 0.0 && $heelDistance <= Check::MOST)) {
            Check::notNegative('heelDistance', $heelDistance);
        }
    }

    public function ankle(Body $body): Vector
    {
        return new Vector($this->heelDistance + self::AHEAD_OF_HEEL, $body->ankleAboveSole, self::ABOVE_FLOOR);
    }

    public function readingErrors(): array
    {
        return ['heelDistance' => Reading::TAPE_ERROR];
    }

    public function props(): array
    {
        return ['heelDistance' => $this->heelDistance] + parent::props();
    }

    public function shifted(string $name, float $by): static
    {
        return 'heelDistance' === $name
            ? new self($this->heelDistance + $by, $this->sitting)
            : $this->seated($this->sitting->shifted($name, $by));
    }

    public function seated(Sitting $sitting): static
    {
        return new self($this->heelDistance, $sitting);
    }

    public static function about(): About
    {
        return new About('contact.soles-together', [
            Control::kneeHeight(5, 45, 14),
            Control::cm('heelDistance', 'control.heelDistance', 5, 60, 20),
            Control::seat(),
            Control::pelvicTilt(),
        ], OtherLeg::Alike, test: new TestReading(4.0, isSeated: true));
    }

    public static function ankleOf(SetUp $set): self
    {
        return new self($set->number('heelDistance'), $set->sitting());
    }

    public static function of(SetUp $set): Posture
    {
        return new KneeAtHeight(self::ankleOf($set), $set->number('kneeHeight'));
    }
}
