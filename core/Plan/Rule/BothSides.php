<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Both sides always (common practice), but for a side on which nothing of it may be done. */
final class BothSides implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $sides = [];
        foreach ($session->items as $item) {
            foreach (Phase::Work === $item->phase ? (null === $item->side ? Side::cases() : [$item->side]) : [] as $side) {
                $sides[$item->rung->posture][$side->value] = $item->rung->name;
            }
        }
        $broken = [];
        foreach ($sides as $posture => $worked) {
            foreach (Side::cases() as $side) {
                if (!isset($worked[$side->value]) && null !== $poses->of($posture, $side)->stand->rung) {
                    $broken[] = new Reason('rule.sides', Source::Trade, ['posture' => array_values($worked)[0]]);
                }
            }
        }

        return $broken;
    }
}
