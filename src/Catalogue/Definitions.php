<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\App\Lab\LabPosture;
use LucidAscent\Core\Plan\PracticeRung;
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

    /**
     * @param array<string, array<string, mixed>> $entries
     *
     * @return array<string, list<PracticeRung>> the ladder of each posture as something to practise, by id
     */
    public static function ofPractice(array $entries): array
    {
        $ladders = [];
        foreach ($entries as $id => $posture) {
            $definition = self::ofPosture($posture);
            $isSymmetric = self::isSymmetric($posture['figure']);
            foreach ($posture['rungs'] as $i => $rung) {
                $of = $definition->rungs[$i];
                $ladders[$id][] = new PracticeRung(
                    $id,
                    $posture['name'],
                    $of,
                    self::level($posture['family'], $of->loads),
                    array_values(array_filter($rung['counter'] ?? [], is_string(...))),
                    self::equipment($rung['props']),
                    $isSymmetric,
                );
            }
        }

        return $ladders;
    }

    /**
     * A shape is the same on both sides when its drawing is.
     *
     * @param array<string, mixed> $figure
     */
    private static function isSymmetric(array $figure): bool
    {
        return isset($figure['angles'])
            ? $figure['angles']['left'] === $figure['angles']['right']
            : in_array($figure['lab'], ['soles-together', 'wide-legs', 'frog', 'deep-squat'], true);
    }

    /**
     * Lying comes first, then seated, then what stands or bears weight.
     *
     * @param list<string> $loads
     */
    private static function level(string $family, array $loads): int
    {
        return match (true) {
            'lying' === $family, in_array('lying-rest', $loads, true) => 0,
            [] !== array_intersect($loads, ['knee-load', 'balance', 'wrist', 'hip-extension', 'spine-back']), in_array($family, ['standing', 'lunge', 'squat', 'arm-balance', 'backbend'], true) => 2,
            default => 1,
        };
    }

    /**
     * What a rung cannot do without, by what its props are called.
     *
     * @param list<array<string, mixed>> $props
     *
     * @return array<string, int>
     */
    private static function equipment(array $props): array
    {
        $needed = [];
        foreach ($props as $prop) {
            foreach (['block', 'blanket', 'strap'] as $kind) {
                if (1 === preg_match("/\\b{$kind}(s?)\\b/i", $prop['what'], $m)) {
                    $needed[$kind] = ($needed[$kind] ?? 0) + ('' === $m[1] ? 1 : 2);
                    // Of two that would do, the first is asked for.
                    break;
                }
            }
        }

        return $needed;
    }
}
