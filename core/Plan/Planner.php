<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Calendar\Cycle;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;

/**
 * Weeks of practice out of what a person is ready for: each session by PlanSession, every fourth week lighter, and
 * tests again after it. No calendar makes a hold longer. The same person and the same days give the same plan.
 */
final readonly class Planner
{
    /**
     * @param array<string, list<PracticeRung>> $ladders by posture
     * @param array<int, Dose> $doseOn another school's dose on some days, by weekday from 1 for Monday
     * @param array<string, PracticeDrill> $drills by id
     */
    public function __construct(
        private ReadPoses $poses,
        private array $ladders,
        private Dose $dose,
        private array $doseOn = [],
        private array $drills = [],
    ) {
    }

    /** @param list<string> $wanted */
    public function plan(array $wanted, PlanRequest $request): Plan
    {
        $candidates = Candidates::of($wanted, $this->poses, $this->ladders, $request, $this->drills);
        $gentle = GentleShapes::of($this->poses, $this->ladders, $request);
        $session = new PlanSession($this->poses, $candidates, $gentle, $request, $this->ladders);
        // With fewer sessions in a week than wanted poses, themes go round from week to week.
        $aims = count(
            array_filter($candidates->list, static fn (Candidate $candidate): bool => $candidate->isWanted()),
        );
        $weeks = $retests = $heights = [];
        $count = 0;
        foreach ($request->dates() as $number => $dates) {
            $isLight = 0 === ($number + 1) % Cycle::WEEKS;
            $sessions = [];
            foreach ($dates as $turn => $date) {
                $planned = $session->on(
                    $date,
                    $turn + ($aims > count($dates) ? $number * count($dates) : 0),
                    $count++,
                    $this->doseOn[(int) $date->format('N')] ?? $this->dose,
                    $isLight,
                );
                $sessions[] = $this->measured($planned, $heights);
            }
            $weeks[] = new PlannedWeek($sessions, $isLight, $gentle->daily($number));
            if ($isLight) {
                $retests[] = [
                    'week' => $number + 2,
                    'on' => $request->from->add(new \DateInterval('P'. 7 * ($number + 1).'D')),
                    'tests' => $this->retest($wanted),
                ];
            }
        }

        return new Plan($weeks, $candidates->leftOut + $this->neverDone($weeks), $retests);
    }

    /** @param array<string, float|null> $heights what was worked out already, in cm, by posture, rung and side */
    private function measured(PlannedSession $session, array &$heights): PlannedSession
    {
        $measured = [];
        foreach ($session->items as $item) {
            $key = "{$item->rung->posture} {$item->rung->rung->id} ".($item->side->value ?? '');
            if (!array_key_exists($key, $heights)) {
                $heights[$key] = $item->height($this->poses);
            }
            $measured[] = $item->onProp($heights[$key]);
        }

        return $session->doing($measured);
    }

    /**
     * What found room in some session was not left out.
     *
     * @param list<PlannedWeek> $weeks
     *
     * @return array<string, Reason>
     */
    private function neverDone(array $weeks): array
    {
        $missed = $done = [];
        foreach ($weeks as $week) {
            foreach ($week->sessions as $session) {
                $missed += $session->tradesAway;
                foreach ($session->items as $item) {
                    $done[$item->rung->posture] = true;
                }
            }
        }

        return array_diff_key($missed, $done);
    }

    /**
     * The tests that tell whether anything has changed: those that isolate what the wanted poses ask for.
     *
     * @param list<string> $wanted
     *
     * @return list<string>
     */
    private function retest(array $wanted): array
    {
        $asked = array_merge(
            ...array_map(fn (string $id): array => $this->poses->postures[$id]->abilities, $wanted),
        );
        $tests = [];
        foreach ($asked as $ability) {
            $best = $this->poses->isolating($ability);
            if (null !== $best) {
                $tests[$best->id] = $best->order;
            }
        }
        asort($tests);

        return array_keys($tests);
    }
}
