<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** No work above where a side stands: gates asked and met, what was lifted tested first, each rung below passed. */
final class NothingClosed implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $broken = [];
        foreach ($session->items as $item) {
            foreach (Phase::Work !== $item->phase ? [] : (null === $item->side ? Side::cases() : [$item->side]) as $side) {
                $stand = $poses->of($item->rung->posture, $side)->stand;
                $id = $item->rung->rung->id;
                $isStood = $stand->rung?->rung->id === $id;
                if (!$isStood && [] !== $stand->closing($id)) {
                    $broken[$item->rung->name] = new Reason('rule.closed', Source::Trade, ['posture' => $item->rung->name]);
                }
            }
        }

        return array_values($broken);
    }
}
