<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;

/** The rungs of a posture that a clean test has shown: those set up like it, and no deeper than it went. */
final class ShownByTest
{
    /** Distances that are the deeper, the larger they are; all others are the deeper, the smaller. */
    private const LARGER_IS_DEEPER = ['span', 'heelHeight', 'pelvicTilt', 'heelAhead'];

    /** @return list<Seen> */
    public static function rungs(TestDefinition $definition, TakenTest $taken, PostureDefinition $posture): array
    {
        if (!$taken->isClean() || null === $taken->on) {
            return [];
        }
        $seen = [];
        foreach ($posture->rungs as $rung) {
            if (
                $rung->demand?->contact() === $definition->formula->name
                && self::reaches($taken, $rung->demand->values())
            ) {
                $seen[] = new Seen(
                    $posture->id,
                    $rung->id,
                    $taken->side,
                    true,
                    $taken->on,
                    $taken->at,
                    showsAngles: false,
                );
            }
        }

        return $seen;
    }

    /** @param array<string, float> $asked in cm and degrees */
    private static function reaches(TakenTest $taken, array $asked): bool
    {
        $sitting = $taken->sitting->props();
        foreach ($asked as $name => $value) {
            $read = $taken->has($name) ? $taken->measure($name)->mean() : $sitting[$name] ?? null;
            if (null === $read) {
                return false;
            }
            $beyond = in_array($name, self::LARGER_IS_DEEPER, true) ? $read - $value : $value - $read;
            if ($beyond < -Reading::TAPE_ERROR) {
                return false;
            }
        }

        return true;
    }
}
