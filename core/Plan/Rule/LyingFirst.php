<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Lying before seated before loaded (common practice). */
final class LyingFirst implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $reached = 0;
        $work = null;
        $broken = [];
        foreach ($session->items as $item) {
            if (Phase::Work !== $item->phase) {
                $work = null;
                continue;
            }
            if ($item->isSet || (true === $session->dose?->lotusLast && $item->rung->isLyingLotus())) {
                continue;
            }
            if ($item->rung->stance->rank() < $reached && $work !== $item->key()) {
                $broken[$item->key()] = new Reason('rule.order', Source::Trade, [
                    'posture' => $item->drill->id ?? $item->rung->posture,
                ]);
            }
            $reached = max($reached, $item->rung->stance->rank());
            $work = $item->key();
        }

        return array_values($broken);
    }
}
