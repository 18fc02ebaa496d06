<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Posture\Rung;
use LucidAscent\Core\Practice\Step;

/** Asks the rules in order of safety; the first with an answer decides. */
final class Decide
{
    public static function proposal(LadderPractice $history): Proposal
    {
        /** @var list<DecisionRule> $rules */
        $rules = [new StopRule(), new ReTestRule(), new StepBackRule(), new MoveOnRule(), new Plateau()];
        foreach ($rules as $rule) {
            $proposal = $rule->propose($history);
            if (null !== $proposal) {
                return $proposal;
            }
        }

        return (new StayRule())->propose($history);
    }

    /** The rung on which a side stands after a step; a step back from the first rung stays there. */
    public static function rungAfter(LadderPractice $history, Step $step): Rung
    {
        $rung = $history->rung();

        return match ($step) {
            Step::MoveOn => $history->ladder->after($rung) ?? $rung,
            Step::StepBack, Step::ReTest => $history->ladder->before($rung) ?? $rung,
            Step::Stay, Step::Stop, Step::SwitchDrill, Step::SwitchSchool => $rung,
        };
    }

    /**
     * Which steps a teacher may take instead of the one proposed. A stop cannot be overruled, and
     * nobody is moved on past the gate or with a stop sign in the log.
     *
     * @return list<Step>
     */
    public static function choices(LadderPractice $history, Proposal $proposal): array
    {
        if (Step::Stop === $proposal->step) {
            return [Step::Stop];
        }
        $choices = [Step::Stay, Step::StepBack, Step::Stop];
        if ($history->nextOpen && null !== $history->ladder->after($history->rung())) {
            array_unshift($choices, Step::MoveOn);
        }
        if (!in_array($proposal->step, $choices, true)) {
            array_unshift($choices, $proposal->step);
        }

        return $choices;
    }
}
