<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\Rule\BothSides;
use LucidAscent\Core\Plan\Rule\CounterAfter;
use LucidAscent\Core\Plan\Rule\FitsTheTime;
use LucidAscent\Core\Plan\Rule\NotTooLong;
use LucidAscent\Core\Plan\Rule\OnlyWhatMay;
use LucidAscent\Core\Plan\Rule\PeakLast;
use LucidAscent\Core\Plan\Rule\SessionRule;
use LucidAscent\Core\Plan\Rule\WarmUpFirst;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** The hard rules of sessions, for those that were planned and those that somebody has changed by hand. */
final class SessionRules
{
    /** @return list<Reason> the rules that it breaks; none when all is well */
    public static function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        /** @var list<SessionRule> $rules */
        $rules = [
            new OnlyWhatMay(),
            new FitsTheTime(),
            new WarmUpFirst(),
            new CounterAfter(),
            new PeakLast(),
            new BothSides(),
            new NotTooLong(),
        ];

        return array_merge(
            ...array_map(static fn (SessionRule $rule): array => $rule->broken($session, $minutes, $poses), $rules),
        );
    }

    /**
     * Deep work of one component on days that the school wants further apart.
     *
     * @param list<PlannedSession> $sessions in the order of their days
     * @param int $daysApart 1 where deep work on two days running is allowed; a session's own school comes first
     *
     * @return list<Reason>
     */
    public static function tooClose(array $sessions, int $daysApart, ReadPoses $poses): array
    {
        $last = $broken = [];
        foreach ($sessions as $session) {
            $apart = $session->dose->daysApart ?? $daysApart;
            $deep = [];
            foreach ($session->items as $item) {
                $abilities = ($poses->postures[$item->rung->posture] ?? null)->abilities ?? [];
                foreach ($item->isWork() && !$item->rung->rung->isForAnybody() ? $abilities : [] as $ability) {
                    $deep[$ability->value] = $item->rung->posture;
                }
            }
            foreach ($deep as $component => $posture) {
                if (isset($last[$component]) && Day::between($last[$component], $session->on) < $apart) {
                    $broken[$posture] = new Reason('rule.days-apart', Source::Trade, [
                        'posture' => $posture,
                        'days' => $apart,
                    ]);
                }
                $last[$component] = $session->on;
            }
        }

        return array_values($broken);
    }
}
