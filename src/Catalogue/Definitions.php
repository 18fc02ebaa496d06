<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\TestDefinition;

/** Entries of the catalogue as the core takes them. */
final class Definitions
{
    /**
     * @param array<string, array<string, mixed>> $entries
     *
     * @return array<string, TestDefinition> by id, in the taught order
     */
    public static function ofTests(array $entries): array
    {
        $tests = array_map(self::ofTest(...), $entries);
        uasort($tests, static fn (TestDefinition $a, TestDefinition $b): int => $a->order <=> $b->order);

        return $tests;
    }

    /** @param array<string, mixed> $test */
    public static function ofTest(array $test): TestDefinition
    {
        return new TestDefinition(
            $test['id'],
            $test['name'],
            $test['order'],
            Formula::from($test['formula']),
            array_map(Bound::from(...), $test['proves'] ?? []),
            array_column($test['measured'], 'unit', 'name'),
            array_column($test['compensations'], 'id'),
            (float) $test['minutes']['value'],
            $test['both_sides'],
            $test['loads'] ?? [],
            $test['trials']['least'],
        );
    }
}
