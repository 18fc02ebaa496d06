<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/** A length, kept in centimetres; an inch is exactly 2.54 of them. */
final readonly class Length
{
    private const CM_PER_INCH = 2.54;

    private function __construct(public float $cm)
    {
    }

    /** @throws InvalidValue when the number is not finite */
    public static function cm(float $cm): self
    {
        return new self(Check::finite('length', $cm));
    }

    /** @throws InvalidValue when the number is not finite */
    public static function inches(float $inches): self
    {
        return self::cm($inches * self::CM_PER_INCH);
    }

    /** So many times as long. */
    public function times(float $factor): self
    {
        return self::cm($this->cm * $factor);
    }
}
