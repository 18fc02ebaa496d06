<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Sheets;

use LucidAscent\Core\LegChain\Vector;

/** Values in plain lines, numbers to three places: what a sheet shows, and a change of a rule changes. */
final class Sheet
{
    /** @return list<string> one line each, deeper ones further in */
    public static function of(mixed $value, int $deep = 3, string $in = ''): array
    {
        if (!is_array($value) && !is_object($value) || self::isPlain($value)) {
            return [$in.self::plain($value)];
        }
        if ($deep < 0) {
            return [];
        }
        $lines = [];
        foreach (is_array($value) ? $value : get_object_vars($value) as $name => $part) {
            if (self::isPlain($part)) {
                $lines[] = "$in$name: ".self::plain($part);
            } else {
                $inside = self::of($part, $deep - 1, $in.'  ');
                array_push($lines, ...([] === $inside ? [] : ["$in$name", ...$inside]));
            }
        }

        return $lines;
    }

    private static function isPlain(mixed $value): bool
    {
        return !is_array($value) && !is_object($value)
            || $value instanceof \UnitEnum || $value instanceof \DateTimeInterface || $value instanceof Vector
            || is_array($value) && [] === array_filter($value, static fn (mixed $one): bool => !self::isPlain($one));
    }

    private static function plain(mixed $value): string
    {
        return match (true) {
            is_float($value) => self::number($value),
            is_bool($value) => $value ? 'yes' : 'no',
            null === $value => 'none',
            $value instanceof \BackedEnum => (string) $value->value,
            $value instanceof \UnitEnum => $value->name,
            $value instanceof \DateTimeInterface => $value->format('Y-m-d'),
            $value instanceof Vector => implode(' ', array_map(self::number(...), $value->toArray())),
            is_array($value) => implode(', ', array_map(
                static fn (int|string $name, mixed $one): string => (is_int($name) ? ''
                    : self::plain($name).' ').self::plain($one),
                array_keys($value),
                $value,
            )),
            // A reading's own mark says nothing to a reader.
            is_scalar($value) => (string) preg_replace('/ [0-9a-f]{32}/', '', (string) $value),
            default => '',
        };
    }

    /** Nothing is less than nothing by a rounding. */
    private static function number(float $value): string
    {
        $text = number_format($value, 3, '.', '');

        return '-0.000' === $text ? '0.000' : $text;
    }
}
