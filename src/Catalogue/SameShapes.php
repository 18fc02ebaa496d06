<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Posture\GateDefinition;
use LucidAscent\Core\Posture\GateKind;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;

/**
 * Which rungs of several ladders are one and the same shape: held in the same stance, asking and loading the same,
 * behind the same gates, and drawn as the same.
 */
final class SameShapes
{
    /**
     * @param array<string, array<string, mixed>> $entries postures as written, by id
     * @param array<string, PostureDefinition> $postures likewise
     *
     * @return array<string, array<string, list<array{string, string}>>> posture and rung of the others and of those
     *     above them, by posture and rung
     */
    public static function of(array $entries, array $postures): array
    {
        $alike = [];
        foreach ($postures as $id => $posture) {
            foreach ($entries[$id]['rungs'] as $i => $written) {
                $said = self::said($entries, $id, $written, $posture->rungs[$i]);
                $alike[$said][] = [$id, $posture->rungs[$i]->id];
            }
        }
        $same = [];
        foreach ($alike as $names) {
            foreach ($names as [$id, $rung]) {
                $others = array_filter($names, static fn (array $name): bool => $name[0] !== $id);
                if ([] !== $others) {
                    $same[$id][$rung] = array_merge(
                        ...array_map(
                            static fn (array $name): array => self::from($postures[$name[0]], $name[1]),
                            array_values($others),
                        ),
                    );
                }
            }
        }

        return $same;
    }

    /** @return list<array{string, string}> a rung and those above it: whoever has done one of them has done it */
    private static function from(PostureDefinition $posture, string $rung): array
    {
        $ids = array_map(static fn (RungDefinition $one): string => $one->id, $posture->rungs);

        return array_map(
            static fn (string $id): array => [$posture->id, $id],
            array_slice($ids, (int) array_search($rung, $ids, true)),
        );
    }

    /**
     * @param array<string, array<string, mixed>> $entries
     * @param array<string, mixed> $written
     */
    private static function said(array $entries, string $id, array $written, RungDefinition $rung): string
    {
        $loads = $rung->work->loads;
        $others = $rung->work->otherLegLoads;
        $thresholds = $rung->thresholds;
        // What comes before a whole posture is no part of its shape.
        $gates = array_map(
            static fn (GateDefinition $gate): string => "{$gate->kind->value} $gate->asks",
            array_filter($rung->gates, static fn (GateDefinition $gate): bool => GateKind::First !== $gate->kind),
        );
        sort($loads);
        sort($others);
        ksort($thresholds);
        sort($gates);

        return (string) json_encode([
            $written['stance'] ?? ($entries[$id]['stance'] ?? null),
            $rung->demand?->name(),
            self::drawn($entries, "$id/$rung->id", $written, null !== $rung->demand),
            $rung->otherDemand?->name(),
            $thresholds,
            $rung->otherLeg,
            $loads,
            $others,
            $rung->isForAnybody(),
            $gates,
        ]);
    }

    /**
     * Which shape it is drawn as.
     *
     * @param array<string, array<string, mixed>> $entries
     * @param array<string, mixed> $written
     * @param bool $isAsked whether a contact says what it asks: then arms may lie otherwise
     */
    public static function drawn(array $entries, string $name, array $written, bool $isAsked = false): string
    {
        $pose = $written['pose'] ?? [];
        $other = array_diff(array_keys($pose), ['like', 'source', ...$isAsked ? ['arm', 'arms', 'other_arm'] : []]);
        if (!isset($pose['like']) || [] !== $other) {
            return $name;
        }
        [$posture, $shape] = explode('/', $pose['like'], 2);
        $like = array_column(Shapes::of($entries[$posture] ?? []), null, 'id')[$shape] ?? null;

        return null === $like ? $pose['like'] : self::drawn($entries, $pose['like'], $like, $isAsked);
    }
}
