<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Edit;

use LucidAscent\Core\Plan\PlannedSession;

/** Not this time. */
final readonly class Skip implements Edit
{
    public function apply(PlannedSession $session, int $at): PlannedSession
    {
        return $session->doing(Block::at($session->items, $at)->replaced($session->items, []));
    }
}
