<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\Rule\WarmUpFirst;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * Weeks of practice out of what a person is ready for.
 *
 * Hard rules (common practice): warm-up before anything deep; lying before seated before loaded; both
 * sides, the tighter first and last and half as much again; the counterpose right after its posture;
 * no deep work of one component on days that the school wants apart; every fourth week lighter; a hold
 * grows by a fifth at most from one full week to the next. Within them the keystone comes first.
 * The same person and the same days give the same plan.
 */
final readonly class Planner
{
    /** Five to ten minutes of warming up, in seconds; each of its postures so long. */
    private const WARM_UP_MOST = 600;
    private const WARM_UP_ITEM = 60;
    private const COUNTER = 45;
    private const REST_LEAST = 60;
    private const REST_MOST = 300;
    /** Every so many weeks one is lighter, of about so much of the volume, and tests come again. */
    private const CYCLE = 4;
    private const LIGHT = 0.6;
    /** A full week is so much more than the full week before it, up to so much in all. */
    private const GROWTH = 1.1;
    private const FURTHEST = 1.5;
    private const TIGHTER = 0.5;
    private const GRAIN = 5;

    /**
     * @param array<string, list<PracticeRung>> $ladders by posture
     * @param array<int, Dose> $doseOn another school's dose on some days, by weekday from 1 for Monday
     */
    public function __construct(private ReadPoses $poses, private array $ladders, private Dose $dose, private array $doseOn = [])
    {
    }

    /** @param list<string> $wanted */
    public function plan(array $wanted, PlanRequest $request): Plan
    {
        $candidates = Candidates::of($wanted, $this->poses, $this->ladders, $request->equipment);
        $leftOut = [];
        $weeks = $retests = [];
        $lastDeep = [];
        $full = 1.0;
        foreach ($request->dates() as $number => $dates) {
            $isLight = 0 === ($number + 1) % self::CYCLE;
            if ($number > 0 && !$isLight && 0 !== $number % self::CYCLE) {
                $full = min(self::FURTHEST, $full * self::GROWTH);
            }
            $sessions = [];
            foreach ($dates as $date) {
                [$sessions[], $missed] = $this->session($date, $candidates->list, $request, $isLight ? self::LIGHT * $full : $full, $lastDeep);
                $leftOut += $missed;
            }
            $weeks[] = ['light' => $isLight, 'sessions' => $sessions];
            if ($isLight) {
                $retests[] = ['week' => $number + 2, 'on' => $request->from->add(new \DateInterval('P'.(7 * ($number + 1)).'D')), 'tests' => $this->retest($wanted)];
            }
        }
        $done = [];
        foreach ($weeks as $week) {
            foreach ($week['sessions'] as $session) {
                foreach ($session->items as $item) {
                    $done[$item->rung->posture] = $item->rung;
                }
            }
        }

        // What found room in some session was not left out.
        return new Plan($weeks, $candidates->leftOut + array_diff_key($leftOut, $done), $retests);
    }

    /**
     * @param list<Candidate> $candidates
     * @param array<string, \DateTimeImmutable> $lastDeep by component, kept from session to session
     *
     * @return array{PlannedSession, array<string, Reason>}
     */
    private function session(\DateTimeImmutable $on, array $candidates, PlanRequest $request, float $share, array &$lastDeep): array
    {
        $budget = 60 * $request->minutes;
        $dose = $this->doseOn[(int) $on->format('N')] ?? $this->dose;
        $warmUp = $this->warmUp($request, (int) max(WarmUpFirst::least($request->minutes), min(self::WARM_UP_MOST, 0.15 * $budget)));
        $rest = $this->rest($request, (int) max(self::REST_LEAST, min(self::REST_MOST, 0.08 * $budget)));
        $left = $budget - (new PlannedSession($on, [...$warmUp, ...$rest]))->seconds();
        $leftOut = $work = [];
        if ([] === $warmUp) {
            // Nobody works cold.
            $cold = array_fill_keys(array_map(static fn (Candidate $candidate): string => $candidate->posture, $candidates), new Reason('plan.no-warm-up', Source::Trade));

            return [new PlannedSession($on, []), $cold];
        }
        foreach ($candidates as $candidate) {
            $isTooSoon = $candidate->isDeep() && [] !== array_filter($candidate->components, static fn (string $component): bool => isset($lastDeep[$component]) && Day::between($lastDeep[$component], $on) < $dose->daysApart);
            if ($isTooSoon) {
                continue;
            }
            // The room is kept for the fullest week, so that a week's growth pushes nothing out.
            $needed = (new PlannedSession($on, $this->items($candidate, self::FURTHEST, $dose)))->seconds();
            $items = $this->items($candidate, $share, $dose);
            if ($needed > $left) {
                $leftOut[$candidate->posture] = new Reason('plan.no-time', Source::Own, ['minutes' => $request->minutes]);
                continue;
            }
            $left -= $needed;
            $work[] = [$candidate->rank(), $items];
            foreach ($candidate->isDeep() ? $candidate->components : [] as $component) {
                $lastDeep[$component] = $on;
            }
        }
        usort($work, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return [new PlannedSession($on, [...$warmUp, ...array_merge(...array_column($work, 1)), ...$rest]), $leftOut];
    }

    /**
     * The work on one posture with its counterpose.
     *
     * @return list<PlannedItem>
     */
    private function items(Candidate $candidate, float $share, Dose $dose): array
    {
        $items = [];
        $add = static function (?Side $side, PracticeRung $rung, float $part) use (&$items, $candidate, $share, $dose): void {
            $seconds = max(self::GRAIN, (int) floor($part * $share * $candidate->weight * $dose->seconds($rung) / self::GRAIN) * self::GRAIN);
            $items[] = new PlannedItem($rung, Phase::Work, $side, $seconds, $candidate->because);
        };
        $left = $candidate->rungs['left'];
        $right = $candidate->rungs['right'];
        if (null === $left || null === $right) {
            null === $left ? null : $add(Side::Left, $left, 1.0);
            null === $right ? null : $add(Side::Right, $right, 1.0);
        } elseif ($left->isSymmetric && $left === $right) {
            $add(null, $left, 1.0);
        } elseif (null === $candidate->tighter) {
            $add(Side::Left, $left, 1.0);
            $add(Side::Right, $right, 1.0);
        } else {
            $first = $candidate->tighter;
            $other = Side::Left === $first ? Side::Right : Side::Left;
            $rungs = ['left' => $left, 'right' => $right];
            $add($first, $rungs[$first->value], 1.0);
            $add($other, $rungs[$other->value], 1.0);
            $add($first, $rungs[$first->value], self::TIGHTER);
        }
        $items[] = new PlannedItem($candidate->counter, Phase::Counter, $candidate->counterSide, self::COUNTER, new Reason('plan.counter', Source::Trade, ['posture' => $this->poses->postures[$candidate->posture]->name]));

        return $items;
    }

    /** @return list<PlannedItem> */
    private function warmUp(PlanRequest $request, int $seconds): array
    {
        $items = [];
        $able = $this->gentle(static fn (PracticeRung $rung): ?int => $rung->warmUp, $request);
        $each = [] === $able ? 0 : max(self::WARM_UP_ITEM, (int) (ceil($seconds / count($able) / self::GRAIN) * self::GRAIN));
        foreach ($able as [$rung, $side]) {
            if ($seconds <= 0) {
                break;
            }
            $items[] = new PlannedItem($rung, Phase::WarmUp, $side, min($each, max(self::GRAIN, $seconds)), new Reason('plan.warm-up', Source::Trade));
            $seconds -= $each;
        }

        return $items;
    }

    /** @return list<PlannedItem> */
    private function rest(PlanRequest $request, int $seconds): array
    {
        $able = $this->gentle(static fn (PracticeRung $rung): ?int => $rung->rest, $request);

        return [] === $able ? [] : [new PlannedItem($able[0][0], Phase::Rest, $able[0][1], intdiv($seconds, self::GRAIN) * self::GRAIN, new Reason('plan.rest', Source::Trade))];
    }

    /**
     * First rungs that are gentle, that nothing holds and for which there are the props; on the free side
     * alone where the other is held.
     *
     * @param callable(PracticeRung): ?int $place where it comes among its like; null for what is none of them
     *
     * @return list<array{PracticeRung, Side|null}>
     */
    private function gentle(callable $place, PlanRequest $request): array
    {
        $able = [];
        foreach ($this->ladders as $id => $ladder) {
            $rung = $ladder[0];
            $order = $place($rung);
            if (null === $order || !$rung->rung->isGentle() || !$request->equipment->has($rung)) {
                continue;
            }
            $free = array_values(array_filter(Side::cases(), fn (Side $side): bool => [] === $this->poses->of($id, $side)->rungs[0]->heldBy));
            if (2 === count($free) || (1 === count($free) && !$rung->isSymmetric)) {
                $able[$order] = [$rung, 2 === count($free) ? null : $free[0]];
            }
        }
        ksort($able);

        return array_values($able);
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
        $asked = array_merge(...array_map(fn (string $id): array => $this->poses->postures[$id]->abilities, $wanted));
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
