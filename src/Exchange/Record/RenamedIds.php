<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

/**
 * Ids replaced wherever they stand in a record: in their own field, and in words that name an entry, such as "test:…".
 */
final class RenamedIds
{
    private const ID = '/[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/';

    /**
     * @param array<string, string> $names new ids by old ones
     */
    public static function in(mixed $value, array $names): mixed
    {
        return match (true) {
            [] === $names => $value,
            is_string($value) => preg_replace_callback(
                self::ID,
                static fn (array $id): string => $names[$id[0]] ?? $id[0],
                $value,
            ) ?? $value,
            is_array($value) => array_map(static fn (mixed $inner): mixed => self::in($inner, $names), $value),
            default => $value,
        };
    }

    /** @return list<string> every id in it */
    public static function all(mixed $value): array
    {
        if (is_array($value)) {
            return array_values(array_unique(array_merge([], ...array_values(array_map(self::all(...), $value)))));
        }

        return is_string($value) && 0 < preg_match_all(self::ID, $value, $found) ? $found[0] : [];
    }
}
