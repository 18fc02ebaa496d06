<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Edit;

use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;

/** To stay as it is when the plan is made anew, or no more. */
final readonly class Lock implements Edit
{
    public function __construct(private bool $isLocked)
    {
    }

    public function apply(PlannedSession $session, int $at): PlannedSession
    {
        $block = Block::at($session->items, $at);

        return $session->doing(
            $block->replaced(
                $session->items,
                array_map(
                    fn (PlannedItem $item): PlannedItem => $item->locked($this->isLocked),
                    $block->of($session->items),
                ),
            ),
        );
    }
}
