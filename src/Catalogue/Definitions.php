<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\App\Lab\LabPosture;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Testing\Ability;
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

    /**
     * @param array<string, array<string, mixed>> $entries
     *
     * @return array<string, PostureDefinition> by id
     */
    public static function ofPostures(array $entries): array
    {
        return array_map(self::ofPosture(...), $entries);
    }

    /** @param array<string, mixed> $posture */
    public static function ofPosture(array $posture): PostureDefinition
    {
        $rungs = [];
        foreach ($posture['rungs'] as $rung) {
            $demand = $rung['demand'];
            $contact = LabPosture::tryFrom($demand['contact'] ?? '');
            $rungs[] = new RungDefinition(
                $rung['id'],
                $rung['name'],
                null === $contact ? null : new CatalogueDemand($contact, $demand['values']),
                array_map(static fn (array $least): float => (float) $least['value'], array_column($demand['thresholds'] ?? [], 'at_least', 'component')),
                array_values(array_filter((array) ($rung['loads'] ?? []), is_string(...))),
                $rung['gentle'] ?? false,
            );
        }
        if ([] === $rungs) {
            throw new \OutOfBoundsException(sprintf('The posture %s has no rungs.', $posture['id']));
        }

        return new PostureDefinition(
            $posture['id'],
            $posture['name'],
            array_values(array_map(Ability::from(...), $posture['components'])),
            $rungs,
            array_map(strval(...), array_keys($posture['relations']['needs'] ?? [])),
            array_map(strval(...), array_keys($posture['relations']['same_action_as'] ?? [])),
        );
    }
}
