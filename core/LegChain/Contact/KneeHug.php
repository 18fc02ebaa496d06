<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Inclination;
use LucidAscent\Core\LegChain\NearVertical;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Reading;

/**
 * Lying on the back, one knee drawn to the same shoulder, the other leg long: with the knee's height above
 * the floor, u = (height − lying hip height) / T; flexion is asin u, and 180° − asin u once the knee has
 * passed over the hip.
 */
final readonly class KneeHug implements Contact, Inclination, Posture
{
    /** @throws InvalidValue when the height is negative or not finite */
    public function __construct(public float $kneeHeight, public bool $hasPassed)
    {
        Check::notNegative('kneeHeight', $kneeHeight);
    }

    public static function component(): Component
    {
        return Component::Flexion;
    }

    /** The sine of the angle between thigh and floor: a height over a length, both in cm. */
    public function ratio(Body $body): float
    {
        return ($this->kneeHeight - $body->lyingHipHeight) / $body->thigh;
    }

    public function direction(): int
    {
        return $this->hasPassed ? -1 : 1;
    }

    public function angles(Body $body): array
    {
        $degrees = NearVertical::degrees($this, $body);

        return [Component::Flexion->value => $this->hasPassed ? 180.0 - $degrees : $degrees];
    }

    public function readingErrors(): array
    {
        return ['kneeHeight' => Reading::TAPE_ERROR];
    }

    public function props(): array
    {
        return ['kneeHeight' => $this->kneeHeight];
    }

    public function shifted(string $name, float $by): static
    {
        return 'kneeHeight' === $name ? new self($this->kneeHeight + $by, $this->hasPassed) : $this;
    }

    /** It is read, and not set up by hand. */
    public static function about(): About
    {
        return new About(
            'contact.knee-hug',
            [],
            lies: -90.0,
            test: new TestReading(3.6, takesAngle: true, needs: ['kneeHeight', 'past']),
        );
    }

    public static function of(SetUp $set): Posture
    {
        return new self($set->number('kneeHeight'), $set->number('past') > 0.0);
    }
}
