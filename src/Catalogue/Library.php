<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/** Finding things in the catalogue, forgiving of spelling, in English and in the traditional names. */
final readonly class Library
{
    /** A word of at least this many letters may have one letter wrong; of twice as many, two. */
    private const FORGIVING = 3;

    /**
     * @param array<string, array<string, mixed>> $entries by id
     *
     * @return list<string> ids, the best match first
     */
    public static function search(string $asked, array $entries): array
    {
        $words = self::words($asked);
        $found = [];
        foreach ($entries as $id => $entry) {
            $names = self::words(implode(' ', [$entry['name'], ...($entry['sanskrit'] ?? []), ...($entry['also'] ?? []), str_replace('-', ' ', $id)]));
            $distance = 0;
            foreach ($words as $word) {
                $best = self::distance($word, $names);
                if (null === $best) {
                    continue 2;
                }
                $distance += $best;
            }
            // Of two that match alike, the plainer name is meant: lotus before half lotus.
            $found[$id] = [$distance, count(self::words($entry['name'])), $id];
        }
        uasort($found, static fn (array $a, array $b): int => $a <=> $b);

        return array_keys($found);
    }

    /** @param list<string> $names */
    private static function distance(string $word, array $names): ?int
    {
        $best = null;
        $allowed = intdiv(strlen($word), self::FORGIVING);
        foreach ($names as $name) {
            $distance = match (true) {
                $name === $word => 0,
                str_starts_with($name, $word) => 1,
                strlen($word) > self::FORGIVING && str_contains($name, $word) => 2,
                default => self::misspelt($word, $name, min(2, $allowed)),
            };
            if (null !== $distance && (null === $best || $distance < $best)) {
                $best = $distance;
            }
        }

        return $best;
    }

    private static function misspelt(string $word, string $name, int $allowed): ?int
    {
        // The beginning of a longer name may be meant: "padmasan" for "padmasana".
        foreach ([$name, substr($name, 0, strlen($word))] as $candidate) {
            $letters = levenshtein($word, $candidate);
            if ($letters <= $allowed) {
                return 2 + $letters;
            }
        }

        return null;
    }

    /** @return list<string> lower case, without diacritics */
    private static function words(string $text): array
    {
        $plain = \Transliterator::create('Any-Latin; Latin-ASCII; Lower')?->transliterate($text);

        return array_values(array_filter(preg_split('/[^a-z0-9]+/', false === $plain || null === $plain ? '' : $plain) ?: [], static fn (string $word): bool => '' !== $word));
    }
}
