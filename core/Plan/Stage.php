<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\ReadPoses;

/** The rung on which a side practises a posture now: where it stands, as far as there are the props. */
final class Stage
{
    /**
     * A rung that is missing its prop is not skipped upwards: the highest below it that was passed is
     * practised instead.
     *
     * @param array<string, list<PracticeRung>> $ladders by posture
     */
    public static function of(string $posture, Side $side, ReadPoses $poses, array $ladders, Equipment $equipment): ?PracticeRung
    {
        $stand = $poses->of($posture, $side)->stand;
        $now = $stand->rung?->rung->id;
        $found = null;
        foreach (null === $now ? [] : $ladders[$posture] as $rung) {
            $isNow = $rung->rung->id === $now;
            if (($isNow || [] === $stand->closing($rung->rung->id)) && $equipment->has($rung)) {
                $found = $rung;
            }
            if ($isNow) {
                break;
            }
        }

        return $found;
    }
}
