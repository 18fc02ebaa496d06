<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/**
 * What an adapted posture has from the one that it adapts, whatever its own text leaves out: it loads at least
 * what that loads, and is no gentler. A rung has it from the one of its id, a new or renamed one from the one in
 * its place.
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
            $from = $byId[$rung['id']] ?? $rungs[min($i, count($rungs) - 1)] ?? [];
            $rung['loads'] = array_values(array_unique([...($rung['loads'] ?? []), ...($from['loads'] ?? [])]));
            if (isset($from['stance'])) {
                $rung['stance'] ??= $from['stance'];
            }
            $rung = self::otherLeg($rung, $from);
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
        if (isset($base['stance'])) {
            $entry['stance'] ??= $base['stance'];
        }

        return $entry;
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
