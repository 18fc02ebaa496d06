<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Edit;

use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedSession;

/** Taken from one session into another, behind what is gentle there; what is deep behind that, and before the peak. */
final readonly class ToAnotherDay
{
    /**
     * @return array{PlannedSession, PlannedSession} the one that it was taken from, and the one that it stands in now
     */
    public static function move(PlannedSession $from, int $at, PlannedSession $to): array
    {
        $block = Block::at($from->items, $at);
        $moved = $block->of($from->items);
        $isDeep = !$moved[0]->rung->rung->isForAnybody();
        $place = 0;
        foreach ($to->items as $i => $item) {
            $comesBefore =
                $item->isWork() && ($item->rung->rung->isForAnybody() || ($isDeep && $item->key() !== $to->theme));
            if (Phase::WarmUp === $item->phase || $comesBefore) {
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
