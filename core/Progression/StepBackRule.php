<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * Step back one rung: pain of 3 or 4, soreness that disturbs sleep, compensations in two sessions
 * running, or a break of over 14 days (common practice). After a longer one another rule asks for tests.
 */
final class StepBackRule implements DecisionRule
{
    public const PAIN = 3;
    public const BREAK_DAYS = 14;

    public function propose(LadderPractice $history): ?Proposal
    {
        $check = $history->latest();
        $previous = $history->previous();
        $restsOn = [$check];
        $reasons = [];
        if ($check->pain->level >= self::PAIN) {
            $reasons[] = new Reason('step-back.pain', Source::Trade, [
                'level' => $check->pain->level,
                'place' => $check->pain->place->value,
            ]);
        }
        if ($check->soreAtNight) {
            $reasons[] = new Reason('step-back.sore', Source::Trade);
        }
        if (null !== $previous && [] !== $check->compensations && [] !== $previous->compensations) {
            $reasons[] = new Reason('step-back.compensations', Source::Trade);
            $restsOn = [$previous, $check];
        }
        $days = $history->breakInDays() ?? 0;
        if ($days > self::BREAK_DAYS) {
            $reasons[] = new Reason('step-back.break', Source::Trade, ['days' => $days, 'limit' => self::BREAK_DAYS]);
        }

        return [] === $reasons ? null : new Proposal(Step::StepBack, $reasons, $restsOn);
    }
}
