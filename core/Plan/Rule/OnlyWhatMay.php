<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Nothing that may not be done now, on either side that it uses: held, or closed by what has to come first. */
final class OnlyWhatMay implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $broken = [];
        foreach ($session->items as $item) {
            $may = $item->may($poses);
            if (!$may->isYes()) {
                $id = $item->drill->id ?? $item->rung->posture;
                $broken[$id] ??= new Reason($may->isHeld() ? 'rule.held' : 'rule.closed', Source::Trade, [
                    'posture' => $id,
                ]);
            }
        }

        return array_values($broken);
    }
}
