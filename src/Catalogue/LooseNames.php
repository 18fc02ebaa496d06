<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/** Rungs, drills, schools and places that entries name and that are not there, and ranges that are none. */
final readonly class LooseNames
{
    /**
     * @param array<string, array<string, array<string, mixed>>> $entries by kind and id
     * @param array<string, true> $broken ids of entries that could not be read: others may speak of them all the same
     *
     * @return list<array{Kind, string, string, string}> the entry, the place in it, and what is wrong there
     */
    public static function of(array $entries, array $broken): array
    {
        $rungs = [];
        foreach ($entries[Kind::Posture->value] as $id => $posture) {
            foreach (Shapes::of($posture) as $rung) {
                $rungs["$id/$rung[id]"] = true;
            }
        }
        $isRung = static fn (string $name): bool => isset($rungs[$name]) || isset($broken[explode('/', $name)[0]]);
        $known = [
            'no drill' => $entries[Kind::Drill->value] + $broken,
            'no school' => $entries[Kind::School->value] + $broken,
            'no place of which anything is said' => array_flip(
                array_merge(
                    ...array_values(
                        array_map(
                            static fn (array $group): array => array_column($group['items'], 'id'),
                            $entries[Kind::Feeling->value],
                        ),
                    ),
                ),
            ),
        ];
        $loose = [];
        foreach ($entries[Kind::Posture->value] as $id => $posture) {
            foreach (Shapes::of($posture) as $at => $rung) {
                foreach (self::ofRung($rung, $posture, $isRung, $known) as [$place, $message]) {
                    $loose[] = [Kind::Posture, $id, "$at/$place", $message];
                }
            }
        }
        foreach ($entries[Kind::Drill->value] as $id => $drill) {
            if (!$isRung($drill['uses'])) {
                $loose[] = [Kind::Drill, $id, 'uses', sprintf('names "%s", which is no rung.', $drill['uses'])];
            }
        }

        return $loose;
    }

    /**
     * @param array<string, mixed> $rung
     * @param array<string, mixed> $posture
     * @param callable(string): bool $isRung
     * @param array<string, array<array-key, mixed>> $known what there is, by what it is not
     *
     * @return list<array{string, string}> the place, and what is wrong there
     */
    private static function ofRung(array $rung, array $posture, callable $isRung, array $known): array
    {
        $loose = [];
        foreach (['knee_safe', 'lying'] as $instead) {
            $name = $rung[$instead]['rung'] ?? null;
            if (null !== $name && !$isRung($name)) {
                $loose[] = [$instead, sprintf('names "%s", which is no rung.', $name)];
            }
        }
        $named = [
            'drills' => ['no drill', $rung['drills'] ?? []],
            'hold_by_school' => ['no school', array_keys($rung['hold_by_school'] ?? [])],
            'felt' => [
                'no place of which anything is said',
                [...$rung['felt'] ?? [], ...array_keys($rung['elsewhere'] ?? [])],
            ],
        ];
        foreach ($named as $place => [$what, $names]) {
            foreach (array_diff($names, array_keys($known[$what])) as $unknown) {
                $loose[] = [$place, sprintf('names "%s", which is %s.', $unknown, $what)];
            }
        }
        foreach ([$rung['hold'], ...array_values($rung['hold_by_school'] ?? [])] as $hold) {
            if ($hold['least'] > $hold['most']) {
                $loose[] = ['hold', 'begins above its end.'];
            }
        }
        $of = $rung['alternates_with'] ?? null;
        if (null !== $of && !in_array($of, array_column($posture['rungs'], 'id'), true)) {
            $loose[] = ['alternates_with', sprintf('names "%s", which is no rung of it.', $of)];
        }

        return $loose;
    }
}
