<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** After a break of more than six weeks nobody knows where a side stands: the tests come first (common practice). */
final class ReTestRule implements DecisionRule
{
    public function propose(LadderPractice $history): ?Proposal
    {
        $days = $history->breakInDays() ?? 0;

        return $days > Passes::LAPSE_DAYS
            ? new Proposal(
                Step::ReTest,
                [new Reason('step-back.retest', Source::Trade, ['days' => $days, 'limit' => Passes::LAPSE_DAYS])],
                [$history->latest()],
            )
            : null;
    }
}
