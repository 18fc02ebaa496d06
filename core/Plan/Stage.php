<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\State;

/** The rung on which a side practises a posture now. */
final class Stage
{
    /**
     * The highest that is open or near, that nothing holds, and for which there are the props; where none
     * is, the lowest gentle one that nothing holds.
     *
     * What was decided after practice can keep a side lower, and never lifts it.
     *
     * @param array<string, list<PracticeRung>> $ladders by posture
     * @param array<string, string> $decided ids of rungs, by posture and side: "half-lotus left"
     */
    public static function of(string $posture, Side $side, ReadPoses $poses, array $ladders, Equipment $equipment, array $decided = []): ?PracticeRung
    {
        $pose = $poses->of($posture, $side);
        $highest = $pose->rung();
        $found = null;
        foreach ($pose->rungs as $i => $reading) {
            $rung = $ladders[$posture][$i];
            if (State::Held === $reading->state() || !$equipment->has($rung)) {
                continue;
            }
            if ($reading->state()->isInReach() && null !== $highest) {
                $found = $rung;
            } elseif (null === $found && $rung->rung->isGentle) {
                $found = $rung;
            }
            if ($reading === $highest || $rung->rung->id === ($decided["$posture $side->value"] ?? null)) {
                break;
            }
        }

        return $found;
    }
}
