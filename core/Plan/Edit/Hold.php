<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Edit;

use LucidAscent\Core\Plan\FillTime;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;

/** Held longer, or shorter, by a fifth (common practice: one thing at a time, and a hold by no more than that). */
final readonly class Hold implements Edit
{
    private const STEP = 0.2;

    public function __construct(private bool $isLonger)
    {
    }

    public function apply(PlannedSession $session, int $at): PlannedSession
    {
        return $session->doing(Block::at($session->items, $at)->working($session->items, $this->held(...)));
    }

    private function held(PlannedItem $item): PlannedItem
    {
        $step =
            (int) ceil((($this->isLonger ? 1 : -1) * self::STEP * $item->seconds) / FillTime::GRAIN) * FillTime::GRAIN;

        return $item->lasting(max(FillTime::GRAIN, $item->seconds + $step));
    }
}
