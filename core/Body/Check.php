<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

use function is_finite;

/**
 * The guards that every value passes on its way into the core.
 *
 * @internal
 */
final class Check
{
    /** No length that has to do with a body is longer, in cm. */
    public const MOST = 1000.0;

    /** @throws InvalidValue */
    public static function finite(string $field, float $value): float
    {
        return is_finite($value) ? $value : throw InvalidValue::notFinite($field);
    }

    /** @throws InvalidValue */
    public static function positive(string $field, float $value): float
    {
        return $value > 0.0
            ? self::notNegative($field, $value)
            : throw is_nan($value) || -INF === $value
                ? InvalidValue::notFinite($field)
                : InvalidValue::notPositive($field, $value);
    }

    /** @throws InvalidValue */
    public static function notNegative(string $field, float $value): float
    {
        return match (true) {
            !is_finite($value) => throw InvalidValue::notFinite($field),
            $value < 0.0 => throw InvalidValue::negative($field, $value),
            $value > self::MOST => throw InvalidValue::outside($field, $value, 0.0, self::MOST, 'cm'),
            default => $value,
        };
    }

    /** @throws InvalidValue */
    public static function within(string $field, float $value, float $least, float $most, string $unit): float
    {
        self::finite($field, $value);

        return $value >= $least && $value <= $most
            ? $value
            : throw InvalidValue::outside($field, $value, $least, $most, $unit);
    }
}
