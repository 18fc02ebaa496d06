<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Edit;

use LucidAscent\Core\Plan\PlannedSession;

/** One place earlier in the session, or later: before or behind all of what stands there. */
final readonly class Shift implements Edit
{
    public function __construct(private bool $isEarlier)
    {
    }

    public function apply(PlannedSession $session, int $at): PlannedSession
    {
        $block = Block::at($session->items, $at);
        $rest = $block->replaced($session->items, []);
        if ($this->isEarlier) {
            $to = $block->from > 0 ? Block::at($session->items, $block->from - 1)->from : 0;
        } else {
            $next = $block->from + $block->length;
            $to = $block->from + (isset($session->items[$next]) ? Block::at($session->items, $next)->length : 0);
        }

        return $session->doing([
            ...array_slice($rest, 0, $to),
            ...$block->of($session->items),
            ...array_slice($rest, $to),
        ]);
    }
}
