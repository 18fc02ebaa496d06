<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Calendar\Cycle;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * No way on after eight sessions or four weeks on one rung: another drill for the same limiter first;
 * after as long again the other school; after that the tests, which ask whether it is bone (common
 * practice).
 */
final class Plateau implements DecisionRule
{
    public const SESSIONS = 8;

    public function propose(LadderPractice $history): ?Proposal
    {
        $run = $this->onThisRung($history);
        $first = $run[0] ?? $history->latest();
        $days = Day::between($first->on, $history->latest()->on);
        $rounds = max(intdiv(count($run), self::SESSIONS), intdiv($days, Cycle::DAYS));
        if ($rounds < 1) {
            return null;
        }
        [$step, $code] = match ($rounds) {
            1 => [Step::SwitchDrill, 'plateau.drill'],
            2 => [Step::SwitchSchool, 'plateau.school'],
            default => [Step::ReTest, 'plateau.retest'],
        };

        return new Proposal(
            $step,
            [new Reason($code, Source::Trade, ['sessions' => count($run), 'days' => $days])],
            $run,
        );
    }

    /**
     * @return list<ReadinessCheck> the run on the rung of now since the last long break, the oldest first, one a day
     */
    private function onThisRung(LadderPractice $history): array
    {
        $run = [];
        $next = $history->latest();
        foreach (array_reverse($history->checks) as $check) {
            if ($check->rung !== $next->rung || Passes::hasLapsed($check->on, $next->on)) {
                break;
            }
            $run[$check->day()] ??= $check;
            $next = $check;
        }

        return array_reverse(array_values($run));
    }
}
