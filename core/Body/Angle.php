<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/** An angle, kept in degrees. */
final readonly class Angle
{
    private function __construct(public float $degrees)
    {
    }

    /** @throws InvalidValue when the number is not finite */
    public static function degrees(float $degrees): self
    {
        return new self(Check::finite('angle', $degrees));
    }

    /** @throws InvalidValue when the number is not finite */
    public static function radians(float $radians): self
    {
        return self::degrees(rad2deg($radians));
    }

    public function minus(self $other): self
    {
        return self::degrees($this->degrees - $other->degrees);
    }
}
