<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\May;
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
            foreach (
                Phase::Work === $item->phase ? (null === $item->side ? Side::cases() : [$item->side]) : [] as $side
            ) {
                $sides[$item->key()][$side->value] = $item;
            }
        }
        $broken = [];
        foreach ($sides as $worked) {
            $item = array_values($worked)[0];
            foreach (Side::cases() as $side) {
                $isAllowed =
                    null === $item->drill
                        ? null !== $poses->of($item->rung->posture, $side)->onLadder()->rung
                        : May::practise($poses, $item->rung->posture, $item->rung->rung->id, $side)->isYes();
                if (!isset($worked[$side->value]) && $isAllowed) {
                    $broken[] = new Reason('rule.sides', Source::Trade, [
                        'posture' => $item->drill->id ?? $item->rung->posture,
                    ]);
                }
            }
        }

        return $broken;
    }
}
