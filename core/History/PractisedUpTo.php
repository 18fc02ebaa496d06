<?php

declare(strict_types=1);

namespace LucidAscent\Core\History;

use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\Practice\ClosedTime;
use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\ReadinessCheck;

/**
 * What was practised of one ladder up to a check, and with it; of one day the worst. What was practised while something
 * held the rung, or before that and told only later, does not count towards moving on; what was lifted elsewhere takes
 * nothing away.
 */
final readonly class PractisedUpTo
{
    /**
     * @param list<CheckMade> $checks of the ladder and side
     * @param list<ClosedTime> $closed when rungs of it were held
     *
     * @return non-empty-list<ReadinessCheck> the oldest first
     */
    public static function check(CheckMade $last, array $checks, array $closed): array
    {
        $earlier = [];
        foreach ($checks as $check) {
            $isUpToLast = $check !== $last && $check->on <= $last->on && $check->at <= $last->at;
            if ($isUpToLast && !ClosedTime::anyLeavesBehind($closed, $check->check)) {
                $earlier[] = $check->check;
            }
        }

        return ReadinessCheck::worstOfEachDay([...Passes::admitted($earlier, $closed), $last->check]);
    }
}
