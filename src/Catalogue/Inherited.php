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

        return $entry;
    }
}
