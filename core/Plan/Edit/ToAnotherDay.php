<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Edit;

use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedSession;

/** Taken from one session into another, behind what comes before it there. */
final readonly class ToAnotherDay
{
    /**
     * @return array{PlannedSession, PlannedSession} the one that it was taken from, and the one that it stands in now
     */
    public static function move(PlannedSession $from, int $at, PlannedSession $to): array
    {
        $block = Block::at($from->items, $at);
        $moved = $block->of($from->items);
        $rank = $moved[0]->rung->stance->rank();
        $place = 0;
        foreach ($to->items as $i => $item) {
            if (Phase::WarmUp === $item->phase || ($item->isWork() && $item->rung->stance->rank() <= $rank)) {
                $there = Block::at($to->items, $i);
                $place = $there->from + $there->length;
            }
        }

        return [
            $from->doing($block->replaced($from->items, [])),
            $to->doing([...array_slice($to->items, 0, $place), ...$moved, ...array_slice($to->items, $place)]),
        ];
    }
}
