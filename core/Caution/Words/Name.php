<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Words;

/**
 * The name of a condition as people write it: without case, accents, hyphens, plural, side, and words that tell
 * nothing.
 */
final class Name
{
    private const FILLERS = '/\b(?:an?|the|my|his|her|their|of|in|on|at|left|right|both|sided?|sides|l|r)\b/';
    /** Endings in s that are no plural. */
    private const NO_PLURAL = '/(?:ss|us|is)$/';

    public static function plain(string $name): string
    {
        $words = preg_split(
            '/[^a-z0-9]+/',
            (string) preg_replace(self::FILLERS, ' ', ReadWords::plain($name)),
            -1,
            PREG_SPLIT_NO_EMPTY,
        );

        return implode(' ', array_map(self::singular(...), false === $words ? [] : $words));
    }

    private static function singular(string $word): string
    {
        return match (true) {
            strlen($word) < 4, 1 === preg_match(self::NO_PLURAL, $word) => $word,
            str_ends_with($word, 'ies') => substr($word, 0, -3).'y',
            str_ends_with($word, 's') => substr($word, 0, -1),
            default => $word,
        };
    }
}
