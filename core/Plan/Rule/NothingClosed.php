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
                $shape = $poses->shape($item->rung->posture, $item->rung->rung->id, $side);
                $isNow = $poses->of($item->rung->posture, $side)->stand()->rung?->rung->id === $item->rung->rung->id;
                $isAbove = Phase::Work === $item->phase && !$isNow && true !== $shape?->isOpen();
                if ($isAbove || true === $shape?->reading->waitsForOtherSide) {
                    $broken[$item->rung->name] = new Reason('rule.closed', Source::Trade, ['posture' => $item->rung->name]);
                }
            }
        }

        return array_values($broken);
    }
}
