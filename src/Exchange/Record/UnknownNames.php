<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;

/**
 * What a record names and nothing here is called: entries that are its teacher's own do not travel with it. What was
 * written down of them stays on record, and is shown again once their entries have been brought in.
 */
final readonly class UnknownNames
{
    private const KINDS = [
        'posture' => Kind::Posture,
        'ladder' => Kind::Posture,
        'wanted' => Kind::Posture,
        'drill' => Kind::Drill,
        'tests' => Kind::Test,
    ];

    /**
     * @param array<string, array<int, array<string, mixed>>> $items of a record, by kind
     *
     * @return list<string> names, each once, in their order
     */
    public static function of(array $items, Catalogue $catalogue): array
    {
        $unknown = [];
        // Of tests the kind is a name of the catalogue; elsewhere it is a word of this program.
        self::walk(
            ['tests' => array_column($items['tests'] ?? [], 'kind')] + array_diff_key($items, ['tests' => 0]),
            $catalogue,
            $unknown,
        );
        sort($unknown);

        return array_values(array_unique($unknown));
    }

    /**
     * @param array<mixed> $part
     * @param list<string> $unknown
     */
    private static function walk(array $part, Catalogue $catalogue, array &$unknown): void
    {
        foreach ($part as $name => $value) {
            $kind = self::KINDS[$name] ?? null;
            if (null !== $kind) {
                array_push(
                    $unknown,
                    ...array_values(
                        array_filter(
                            (array) $value,
                            static fn (mixed $one): bool => is_string($one)
                                && '' !== $one
                                && null === $catalogue->entry($kind, $one),
                        ),
                    ),
                );
            }
            if (is_array($value)) {
                self::walk($value, $catalogue, $unknown);
            }
        }
    }
}
