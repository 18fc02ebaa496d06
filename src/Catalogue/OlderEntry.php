<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/**
 * An entry that was written when loads had other names and a rung said its own gate. What is kept stays as it was
 * written; it is read as if it had been written today, and where one old name meant several loads all of them hold.
 */
final class OlderEntry
{
    private const LOADS = [
        'deep-turn' => ['turn-out'],
        'knee-fold' => ['knee-folded'],
        'knee-load' => ['weight-on-knee'],
        'hip-fold' => ['hip-flexed-end'],
        'hip-end' => ['hip-flexed-end', 'legs-wide-end', 'hip-extended-end'],
        'hip-extension' => ['hip-extended-end'],
        'hamstring' => ['hamstring-end'],
        'spine-fold' => ['loaded-fold'],
        'spine-back' => ['backbend'],
        'spine-twist' => ['twist'],
        'wrist' => ['weight-on-hands'],
    ];

    /** @return string|null null when it is no entry at all */
    public static function today(string $text): ?string
    {
        try {
            $entry = Yaml::parse($text);
        } catch (ParseException) {
            return null;
        }
        if (!is_array($entry)) {
            return null;
        }
        // Where one begins by what is read, and the gate of a rung, are worked out since.
        unset($entry['entries']);
        foreach (is_array($entry['rungs'] ?? null) ? $entry['rungs'] : [] as $i => $rung) {
            if (is_array($rung) && is_string($rung['gate'] ?? null)) {
                unset($entry['rungs'][$i]['gate']);
            }
        }

        return Yaml::dump(self::renamed($entry), 10, 4, Yaml::DUMP_NULL_AS_TILDE);
    }

    /**
     * @param array<mixed> $part
     *
     * @return array<mixed>
     */
    private static function renamed(array $part): array
    {
        foreach ($part as $name => $value) {
            if ('loads' === $name && is_array($value)) {
                $part[$name] = array_values(
                    array_unique(
                        array_merge(
                            [],
                            ...array_map(
                                static fn (mixed $load): array => is_string($load)
                                    ? self::LOADS[$load] ?? [$load]
                                    : [$load],
                                array_values($value),
                            ),
                        ),
                        SORT_REGULAR,
                    ),
                );
            } elseif (is_array($value)) {
                $part[$name] = self::renamed($value);
            }
        }

        return $part;
    }
}
