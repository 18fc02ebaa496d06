<?php

declare(strict_types=1);

namespace LucidAscent\Core\History;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\Practice\ReadinessCheck;

/**
 * What was practised of one ladder up to a check, and with it; of one day the worst. What came before a word lifted
 * what held this work on this side does not count towards moving on; what was lifted elsewhere takes nothing away.
 */
final readonly class PractisedUpTo
{
    /**
     * @param list<CheckMade> $checks of the ladder and side
     * @param list<Side> $sides that the work is of; both where nobody said which
     *
     * @return non-empty-list<ReadinessCheck> the oldest first
     */
    public static function check(CheckMade $last, array $checks, Holds $holds, Work $work, array $sides): array
    {
        $cutOffs = array_filter(
            array_map(static fn (Side $side): ?EvidenceCutOff => $holds->cutOff($work, $side), $sides),
        );
        $counting = [];
        foreach ($checks as $check) {
            $isEarlier = $check !== $last && $check->on <= $last->on && $check->at <= $last->at;
            $isLifted =
                [] !==
                array_filter(
                    $cutOffs,
                    static fn (EvidenceCutOff $since): bool => !$since->isBefore($check->check->on, $check->check->at),
                );
            if ($isEarlier && !$isLifted) {
                $counting[] = $check->check;
            }
        }

        return ReadinessCheck::worstOfEachDay([...$counting, $last->check]);
    }
}
