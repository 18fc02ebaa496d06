<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\IsReadByJoints;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sitting;

/**
 * Shins stacked, the top leg: its shin is parallel to the mat's front edge, and its ankle straight
 * above the other knee, which mirrors this one. With knee and ankle height read (cm, to the
 * centres), the span from knee to ankle is √(S² − difference²); the knee is half the span from the
 * midline, the ankle as far on the other side, both equally far forward.
 */
final readonly class ShinsStacked implements ChainReading, ComesToRest, Contact, Posture
{
    use IsReadByJoints;

    /** @throws InvalidValue when a height is negative or not finite */
    public function __construct(public float $kneeHeight, public float $ankleHeight, private Sitting $sitting)
    {
        Check::notNegative('kneeHeight', $kneeHeight);
        Check::notNegative('ankleHeight', $ankleHeight);
    }

    public function joints(Body $body): array
    {
        $y = $body->hipSpacing / 2;
        $z = $this->sitting->hipHeight($body);
        $span = $body->shin ** 2 - ($this->ankleHeight - $this->kneeHeight) ** 2;
        if ($span < 0.0) {
            throw OutOfReach::because('Knee and ankle heights differ by more than the shin is long.');
        }
        $half = sqrt($span) / 2;
        $ahead = $body->thigh ** 2 - ($half - $y) ** 2 - ($this->kneeHeight - $z) ** 2;
        if ($ahead < 0.0) {
            throw OutOfReach::kneeHeight($this->kneeHeight);
        }
        $x = sqrt($ahead);

        return [0.0, $y, $z, $x, $half, $this->kneeHeight, $x, -$half, $this->ankleHeight];
    }

    public function pelvicTilt(): float
    {
        return $this->sitting->pelvicTilt;
    }

    public function readingErrors(): array
    {
        return ['kneeHeight' => Reading::TAPE_ERROR, 'ankleHeight' => Reading::TAPE_ERROR];
    }

    public function props(): array
    {
        return ['kneeHeight' => $this->kneeHeight, 'ankleHeight' => $this->ankleHeight] + $this->sitting->props();
    }

    public function shifted(string $name, float $by): static
    {
        return new self(
            $this->kneeHeight + ('kneeHeight' === $name ? $by : 0.0),
            $this->ankleHeight + ('ankleHeight' === $name ? $by : 0.0),
            $this->sitting->shifted($name, $by),
        );
    }

    public static function about(): About
    {
        return new About('contact.shins-stacked', [
            Control::kneeHeight(5, 40, 14),
            Control::cm('ankleHeight', 'control.ankleHeight', 5, 45, 10),
            Control::seat(),
            Control::pelvicTilt(),
        ], test: new TestReading(1.4, isSeated: true, mayRest: true));
    }

    public static function of(SetUp $set): Posture
    {
        return new self($set->number('kneeHeight'), $set->number('ankleHeight'), $set->sitting());
    }

    /** A top knee no higher than its ankle rests on the foot below it, and a knee at its own thickness on the floor. */
    public static function isResting(SetUp $set): bool
    {
        return $set->number('kneeHeight') <= max(LegChain::HALF_KNEE, $set->number('ankleHeight'));
    }
}
