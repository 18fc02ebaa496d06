<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/** A number that no body or tape measure could have given. */
final class InvalidValue extends \DomainException
{
    private function __construct(string $message, public readonly string $field)
    {
        parent::__construct($message);
    }

    public static function notFinite(string $field): self
    {
        return new self(sprintf('%s must be a finite number.', $field), $field);
    }

    /** A length, in the unit of its field, that has to be more than nought. */
    public static function notPositive(string $field, float $value): self
    {
        return new self(sprintf('%s must be more than zero, not %s.', $field, $value), $field);
    }

    /** A value, in the unit of its field, that cannot be less than nought. */
    public static function negative(string $field, float $value): self
    {
        return new self(sprintf('%s must not be negative, and is %s.', $field, $value), $field);
    }

    /** A value out of its range, all in the unit that is named. */
    public static function outside(string $field, float $value, float $least, float $most, string $unit): self
    {
        return new self(
            sprintf('%s must be from %s to %s %s, and is %s.', $field, $least, $most, $unit, $value),
            $field,
        );
    }

    public static function missing(string $field): self
    {
        return new self(sprintf('%s is missing.', $field), $field);
    }

    public static function because(string $field, string $reason): self
    {
        return new self(sprintf('%s %s', $field, $reason), $field);
    }
}
