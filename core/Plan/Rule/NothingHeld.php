<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Nothing that is held, on either side that it uses. */
final class NothingHeld implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $broken = [];
        foreach ($session->items as $item) {
            foreach (null === $item->side ? Side::cases() : [$item->side] as $side) {
                if ([] !== ($poses->shape($item->rung->posture, $item->rung->rung->id, $side)->reading->heldBy ?? [true])) {
                    $broken[$item->rung->name] = new Reason('rule.held', Source::Trade, ['posture' => $item->rung->name]);
                }
            }
        }

        return array_values($broken);
    }
}
