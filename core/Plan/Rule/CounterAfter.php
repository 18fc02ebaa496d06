<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** The counterpose right after the work that it undoes (common practice). */
final class CounterAfter implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $open = null;
        $broken = [];
        foreach ($session->items as $item) {
            if (null !== $open && Phase::Counter !== $item->phase && (Phase::Work !== $item->phase || $open->posture !== $item->rung->posture)) {
                $broken[$open->posture] = new Reason('rule.counter', Source::Trade, ['posture' => $open->name]);
                $open = null;
            }
            $open = match ($item->phase) {
                Phase::Counter => null,
                Phase::Work => $item->rung,
                default => $open,
            };
        }
        if (null !== $open) {
            $broken[$open->posture] = new Reason('rule.counter', Source::Trade, ['posture' => $open->name]);
        }

        return array_values($broken);
    }
}
