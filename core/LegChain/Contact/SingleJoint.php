<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Reading;

/** What the tests of one joint share: one length read, in cm, and one angle out of a closed formula. */
abstract readonly class SingleJoint implements Posture
{
    /** @throws InvalidValue when the length is negative or not finite */
    final public function __construct(public float $value)
    {
        Check::notNegative(static::name(), $value);
    }

    /** What was read, by the name it goes by everywhere. */
    abstract public static function name(): string;

    abstract public static function component(): Component;

    final public static function of(SetUp $set): Posture
    {
        return new static($set->number(static::name()));
    }

    /** @throws OutOfReach when a body of these lengths cannot be there */
    abstract protected function degrees(Body $body): float;

    final public function angles(Body $body): array
    {
        return [static::component()->value => $this->degrees($body)];
    }

    final public function readingErrors(): array
    {
        return [static::name() => Reading::TAPE_ERROR];
    }

    final public function props(): array
    {
        return [static::name() => $this->value];
    }

    final public function shifted(string $name, float $by): static
    {
        return static::name() === $name ? new static($this->value + $by) : $this;
    }

    /** @throws OutOfReach when the far side is longer than the leg */
    final protected static function inclination(float $opposite, float $length): float
    {
        if (abs($opposite) > $length) {
            throw OutOfReach::because(sprintf('A leg of %.1f cm does not reach that far.', $length));
        }

        return rad2deg(asin($opposite / $length));
    }
}
