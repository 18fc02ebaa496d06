<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * Move on after three clean sessions in a row on this rung, on three different days and over eight where the rung takes
 * days, when gate and margins allow the next one (common practice).
 */
final class MoveOnRule implements DecisionRule
{
    public function propose(LadderPractice $history): ?Proposal
    {
        $run = $history->cleanRun();
        if (
            !$run->isEnough($history->takesDays)
            || !$history->nextOpen
            || null !== $history->felt?->wrongTwice()
            || null === $history->ladder->after($history->rung())
        ) {
            return null;
        }

        $reasons = [new Reason('move-on.clean', Source::Trade, ['sessions' => Passes::SESSIONS])];
        if ($history->isTooEasy()) {
            $reasons[] = new Reason('move-on.nothing-felt', Source::Trade);
        }
        if ($history->nextUnproven) {
            $reasons[] = new Reason('move-on.unproven', Source::Own);
        }

        return new Proposal(
            Step::MoveOn,
            $reasons,
            $history->takesDays ? $run->checks : array_slice($run->checks, -Passes::SESSIONS),
        );
    }
}
