<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;

/** One hard rule of a session, whoever made it. */
interface SessionRule
{
    /**
     * @param int $minutes the time there is
     *
     * @return list<Reason> where it is broken; none when all is well
     */
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array;
}
