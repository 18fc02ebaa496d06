<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;

/** What somebody does who may not do a posture. */
final class Instead
{
    /**
     * A gentle form that a side may do where it may not do a posture: of the same posture, or of another.
     *
     * @param array<string, list<PracticeRung>> $ladders by posture
     * @param list<string>|null $not other postures that are there already, or not wanted; null where it has to be the
     *     same one
     */
    public static function form(
        string $posture,
        Side $side,
        ReadPoses $poses,
        array $ladders,
        Equipment $equipment,
        ?array $not,
    ): ?PracticeRung {
        foreach (self::named($posture, $ladders) as $rung) {
            $isAsked =
                null === $not
                    ? $rung->posture === $posture
                    : $rung->posture !== $posture && !in_array($rung->posture, $not, true);
            if (
                $isAsked
                && !$rung->needsBothSides()
                && self::isFree($rung, [$side], $poses, $equipment)
            ) {
                return $rung;
            }
        }

        return null;
    }

    /**
     * While a class does a posture: a gentle form of it or in its place, or else what one rests in.
     *
     * @param list<Side> $sides that may not do the posture
     * @param array<string, list<PracticeRung>> $ladders by posture
     *
     * @return PracticeRung|null null where nobody can say of any shape that all of these sides may do it
     */
    public static function inAClass(
        string $posture,
        array $sides,
        ReadPoses $poses,
        array $ladders,
        Equipment $equipment,
    ): ?PracticeRung {
        $resting = [];
        foreach ($ladders as $ladder) {
            if (null !== $ladder[0]->rest) {
                $resting[$ladder[0]->rest] = $ladder[0];
            }
        }
        ksort($resting);
        foreach ([...self::named($posture, $ladders), ...$resting] as $rung) {
            // Both sides are in it, whichever of them was barred.
            $in = $rung->needsBothSides() ? Side::cases() : $sides;
            if (self::isFree($rung, $in, $poses, $equipment)) {
                return $rung;
            }
        }

        return null;
    }

    /**
     * @param array<string, list<PracticeRung>> $ladders by posture
     *
     * @return list<PracticeRung> what its rungs name, the safest first
     */
    private static function named(string $posture, array $ladders): array
    {
        $names = array_merge(
            ...array_map(static fn (PracticeRung $rung): array => $rung->instead, $ladders[$posture] ?? []),
        );

        return array_values(
            array_filter(
                array_map(
                    static fn (string $name): ?PracticeRung => PracticeRung::named($name, $ladders),
                    array_unique($names),
                ),
            ),
        );
    }

    /** @param list<Side> $sides */
    private static function isFree(PracticeRung $rung, array $sides, ReadPoses $poses, Equipment $equipment): bool
    {
        if (!$rung->rung->isForAnybody() || !$equipment->has($rung)) {
            return false;
        }
        foreach ($sides as $side) {
            if (!May::practise($poses, $rung->posture, $rung->rung->id, $side)->isYes()) {
                return false;
            }
        }

        return true;
    }
}
