<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** The pose of the day is the one peak: nothing deep comes after it (common practice). */
final class PeakLast implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $broken = [];
        $isPast = false;
        foreach ($session->items as $item) {
            if (!$item->isWork() || $item->rung->rung->isForAnybody()) {
                continue;
            }
            $isPeak = $item->key() === $session->theme;
            // A sequence that the teacher has set keeps its order, and some schools lie down in lotus at the end.
            $isFree = $item->isSet || (true === $session->dose?->lotusLast && $item->rung->isLyingLotus());
            if ($isPast && !$isPeak && !$isFree) {
                $broken[$item->key()] = new Reason('rule.order', Source::Trade, [
                    'posture' => $item->drill->id ?? $item->rung->posture,
                    'theme' => $session->theme ?? '',
                ]);
            }
            $isPast = $isPast || $isPeak;
        }

        return array_values($broken);
    }
}
