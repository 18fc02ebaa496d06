<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Stay, where no other rule speaks; and say what is missing. */
final class StayRule implements DecisionRule
{
    public function propose(LadderPractice $history): Proposal
    {
        $check = $history->latest();
        $reasons = [];
        if (!$check->holdReached) {
            $reasons[] = new Reason('stay.hold', Source::Trade);
        }
        if (!$check->evenBreath) {
            $reasons[] = new Reason('stay.breath', Source::Trade);
        }
        if ([] !== $check->compensations) {
            $reasons[] = new Reason('stay.compensation', Source::Trade);
        }
        $wrong = $history->felt?->wrongTwice();
        if (null !== $wrong) {
            $reasons[] = new Reason('stay.felt', Source::Trade, ['felt' => $wrong->id]);
        }
        $clean = $history->cleanRun();
        $run = $clean->checks;
        if ([] === $reasons && count($run) < Passes::SESSIONS) {
            $reasons[] = new Reason('stay.count', Source::Trade, [
                'sessions' => count($run),
                'needed' => Passes::SESSIONS,
            ]);
        }
        if ([] === $reasons && !$clean->isEnough($history->takesDays)) {
            $reasons[] = new Reason('stay.days', Source::Trade, [
                'days' => $clean->days(),
                'needed' => Passes::SPAN_DAYS,
            ]);
        }
        if ([] === $reasons) {
            $reasons[] =
                null === $history->ladder->after($history->rung())
                    ? new Reason('stay.top', Source::Own)
                    : new Reason('stay.gate', Source::Own);
        }

        if ($history->isTooEasy()) {
            $reasons[] = new Reason('stay.nothing-felt', Source::Trade);
        }

        return new Proposal(Step::Stay, $reasons, [] === $run ? [$check] : $run);
    }
}
