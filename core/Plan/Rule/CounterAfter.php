<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** The counterpose right after the deep work that it undoes (common practice). */
final class CounterAfter implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $open = null;
        $broken = [];
        foreach ($session->items as $item) {
            if (
                null !== $open
                && Phase::Counter !== $item->phase
                && (Phase::Work !== $item->phase || $open->key() !== $item->key())
            ) {
                $broken[$open->key()] = self::without($open);
                $open = null;
            }
            $open = match ($item->phase) {
                Phase::Counter => null,
                // What is gentle comes and goes by itself.
                Phase::Work => $item->rung->rung->isForAnybody() ? $open : $item,
                default => $open,
            };
        }
        if (null !== $open) {
            $broken[$open->key()] = self::without($open);
        }

        return array_values($broken);
    }

    private static function without(PlannedItem $item): Reason
    {
        return new Reason('rule.counter', Source::Trade, ['posture' => $item->drill->id ?? $item->rung->posture]);
    }
}
