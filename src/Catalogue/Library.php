<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/** Finding things in the catalogue, forgiving of spelling, in English and in the traditional names. */
final readonly class Library
{
    /** A word of at least this many letters may have one letter wrong; of twice as many, two. */
    private const FORGIVING = 3;

    /** What there may be at hand, by its name: what a rung may then take. A wall is nearly everywhere. */
    public const AT_HAND = [
        'nothing' => [],
        'wall' => ['wall'],
        'blankets' => ['wall', 'blanket', 'cushion'],
        'blocks' => ['wall', 'block'],
        'strap' => ['wall', 'strap'],
        'chair' => ['wall', 'chair'],
    ];

    /**
     * Whether a posture is what is looked for: each of these by its name, or empty for any.
     *
     * @param array<string, mixed> $posture
     */
    public static function suits(array $posture, string $purpose, string $level, string $remedy, string $hand): bool
    {
        $isAtHand = static fn (array $rung): bool => [] ===
            array_diff(
                array_keys(
                    array_merge(...array_map(static fn (array $prop): array => $prop['takes'] ?? [], $rung['props'])),
                ),
                self::AT_HAND[$hand] ?? [],
            );

        return ('' === $purpose
            || in_array(
                $purpose,
                [...$posture['purposes'] ?? [], ...array_column($posture['forms'] ?? [], 'purpose')],
                true,
            ))
            && ('' === $level || $level === ($posture['level'] ?? null))
            && ('' === $remedy || in_array($remedy, $posture['remedies'] ?? [], true))
            && (!isset(self::AT_HAND[$hand]) || [] !== array_filter(Shapes::of($posture), $isAtHand));
    }

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
            $own = self::words(implode(' ', [$entry['name'], ...$entry['sanskrit'] ?? [], str_replace('-', ' ', $id)]));
            $also = self::words(implode(' ', $entry['also'] ?? []));
            $distance = 0;
            foreach ($words as $word) {
                $best = self::distance($word, $own);
                $other = self::distance($word, $also);
                if (null === $best && null === $other) {
                    continue 2;
                }
                // What it is called here comes before what others call it.
                $distance += min($best ?? \PHP_INT_MAX, ($other ?? 99) + 1);
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
        static $plainly = null;
        $plainly ??= \Transliterator::create('Any-Latin; Latin-ASCII; Lower');
        $plain = $plainly?->transliterate($text);

        return array_values(
            array_filter(
                preg_split('/[^a-z0-9]+/', false === $plain || null === $plain ? '' : $plain) ?: [],
                static fn (string $word): bool => '' !== $word,
            ),
        );
    }
}
