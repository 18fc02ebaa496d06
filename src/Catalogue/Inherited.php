<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/**
 * What an adapted posture has from the one that it adapts, whatever its own text leaves out: it loads at least what
 * that loads, is no gentler, and stays closed by its gates. A rung has it from the one of its id, a new or renamed one
 * from the one in its place.
 */
final class Inherited
{
    /**
     * @param array<string, mixed> $entry
     * @param array<string, mixed> $base
     *
     * @return array<string, mixed> the entry with what it inherits
     */
    public static function into(array $entry, array $base): array
    {
        $rungs = array_values($base['rungs'] ?? []);
        $byId = array_column($rungs, null, 'id');
        foreach (array_values($entry['rungs'] ?? []) as $i => $rung) {
            $from = $byId[$rung['id']] ?? ($rungs[min($i, count($rungs) - 1)] ?? []);
            $rung['loads'] = array_values(array_unique([...$rung['loads'] ?? [], ...$from['loads'] ?? []]));
            if (isset($from['other_loads'])) {
                $rung['other_loads'] = array_values(
                    array_unique([...$rung['other_loads'] ?? [], ...$from['other_loads']]),
                );
            }
            if (isset($from['stance'])) {
                $rung['stance'] ??= $from['stance'];
            }
            $rung = self::otherLeg($rung, $from);
            // What closes the one closes the other.
            $gates = self::together($rung['gates'] ?? [], $from['gates'] ?? []);
            if ([] !== $gates) {
                $rung['gates'] = $gates;
            }
            foreach (['cues', 'felt', 'fault', 'view', 'drills'] as $said) {
                if (isset($from[$said])) {
                    $rung[$said] ??= $from[$said];
                }
            }
            foreach (['gentle', 'foot_free', 'may_be_measured_through'] as $lenient) {
                if (isset($rung[$lenient])) {
                    $rung[$lenient] = true === $rung[$lenient] && true === ($from[$lenient] ?? false);
                }
            }
            $entry['rungs'][$i] = $rung;
        }
        if (true === ($base['both_legs'] ?? false)) {
            $entry['both_legs'] = true;
        }
        $gates = self::together($entry['gates'] ?? [], $base['gates'] ?? []);
        if ([] !== $gates) {
            $entry['gates'] = $gates;
        }
        foreach (['stance', 'level', 'purposes', 'remedies', 'sides'] as $said) {
            if (isset($base[$said])) {
                $entry[$said] ??= $base[$said];
            }
        }

        // The forms beside a rung go with it, as they are.
        $forms = array_filter(
            $base['forms'] ?? [],
            static fn (array $form): bool => in_array(
                $form['alternates_with'],
                array_column($entry['rungs'], 'id'),
                true,
            ),
        );
        unset($entry['forms']);

        return [] === $forms ? $entry : $entry + ['forms' => array_values($forms)];
    }

    /**
     * What closes every shipped rung of a leg position: a position is no other for being written anew.
     *
     * @param array<string, array<string, mixed>> $shipped postures by id
     *
     * @return array<string, list<array<string, string>>> gates by contact
     */
    public static function gatesOf(array $shipped): array
    {
        $common = [];
        foreach ($shipped as $posture) {
            foreach ($posture['rungs'] as $rung) {
                $contact = $rung['demand']['contact'] ?? null;
                if (null !== $contact && true !== ($rung['gentle'] ?? false)) {
                    $gates = [...$rung['gates'] ?? [], ...$posture['gates'] ?? []];
                    $common[$contact] = array_values(
                        array_filter(
                            $common[$contact] ?? $gates,
                            static fn (array $gate): bool => in_array($gate, $gates, true),
                        ),
                    );
                }
            }
        }

        return $common;
    }

    /**
     * @param array<string, mixed> $entry
     * @param array<string, list<array<string, string>>> $gates by contact
     *
     * @return array<string, mixed> the entry with the gates of its positions
     */
    public static function closed(array $entry, array $gates): array
    {
        foreach ($entry['rungs'] as $i => $rung) {
            $of = $gates[$rung['demand']['contact'] ?? ''] ?? [];
            if ([] !== $of) {
                // Nothing that has a gate is gentle.
                $entry['rungs'][$i]['gentle'] = false;
                $entry['rungs'][$i]['gates'] = self::together($rung['gates'] ?? [], $of);
            }
        }

        return $entry;
    }

    /**
     * @param list<array<string, string>> $own
     * @param list<array<string, string>> $more
     *
     * @return list<array<string, string>> each gate once
     */
    private static function together(array $own, array $more): array
    {
        return array_values(array_unique([...$own, ...$more], SORT_REGULAR));
    }

    /**
     * What the other leg has to do may be more, and is never less.
     *
     * @param array<string, mixed> $rung
     * @param array<string, mixed> $from
     *
     * @return array<string, mixed>
     */
    private static function otherLeg(array $rung, array $from): array
    {
        if (!isset($from['other_leg'])) {
            return $rung;
        }
        $own = $rung['other_leg'] ?? $from['other_leg'];
        if (!isset($own['thresholds'], $from['other_leg']['thresholds'])) {
            $own = $from['other_leg'];
        }
        foreach ($from['other_leg']['thresholds'] ?? [] as $least) {
            $i = array_search($least['component'], array_column($own['thresholds'], 'component'), true);
            if (false === $i) {
                $own['thresholds'][] = $least;
            } elseif ($own['thresholds'][$i]['at_least']['value'] < $least['at_least']['value']) {
                $own['thresholds'][$i] = $least;
            }
        }

        return ['other_leg' => $own] + $rung;
    }
}
