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
    /** @throws InvalidValue */
    public static function finite(string $field, float $value): float
    {
        return is_finite($value) ? $value : throw InvalidValue::notFinite($field);
    }

    /** @throws InvalidValue */
    public static function positive(string $field, float $value): float
    {
        return $value > 0.0 && $value < INF ? $value : throw is_finite($value) ? InvalidValue::notPositive($field, $value) : InvalidValue::notFinite($field);
    }

    /** @throws InvalidValue */
    public static function notNegative(string $field, float $value): float
    {
        return $value >= 0.0 && $value < INF ? $value : throw is_finite($value) ? InvalidValue::negative($field, $value) : InvalidValue::notFinite($field);
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
