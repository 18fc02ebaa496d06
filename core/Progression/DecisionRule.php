<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

/** One rule of progression. The first rule that has something to say decides. */
interface DecisionRule
{
    public function propose(LadderPractice $history): ?Proposal;
}
