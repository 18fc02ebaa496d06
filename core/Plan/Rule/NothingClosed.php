<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * No work above where a side stands: gates asked and met, what was lifted tested first, each rung below passed;
 * and nothing deep at all, warm-ups included, beside a side that rests altogether.
 */
final class NothingClosed implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $broken = [];
        foreach ($session->items as $item) {
            foreach (null === $item->side ? Side::cases() : [$item->side] as $side) {
                $pose = $poses->of($item->rung->posture, $side);
                $id = $item->rung->rung->id;
                $isAbove = Phase::Work === $item->phase && $pose->stand->rung?->rung->id !== $id && [] !== $pose->stand->closing($id);
                if ($isAbove || true === $pose->rung($id)?->waitsForOtherSide) {
                    $broken[$item->rung->name] = new Reason('rule.closed', Source::Trade, ['posture' => $item->rung->name]);
                }
            }
        }

        return array_values($broken);
    }
}
