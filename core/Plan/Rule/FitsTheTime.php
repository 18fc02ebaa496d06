<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** No longer than the time there is. */
final class FitsTheTime implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        return $session->minutes() > $minutes
            ? [new Reason('rule.time', Source::Own, ['minutes' => $session->minutes(), 'limit' => $minutes])]
            : [];
    }
}
