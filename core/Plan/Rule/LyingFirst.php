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
        $posture = null;
        $broken = [];
        foreach ($session->items as $item) {
            if (Phase::Work !== $item->phase) {
                $posture = null;
                continue;
            }
            if ($item->rung->stance->rank() < $reached && $posture !== $item->rung->posture) {
                $broken[$item->rung->posture] = new Reason('rule.order', Source::Trade, ['posture' => $item->rung->name]);
            }
            $reached = max($reached, $item->rung->stance->rank());
            $posture = $item->rung->posture;
        }

        return array_values($broken);
    }
}
