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
 * begins with the least and grows with what was reached, and no calendar makes it longer. Within them the wanted poses take turns as the theme, and
 * the keystone comes first. Then come gentle shapes for what is short, and gentle holds are lengthened until
 * nine tenths of the time are used, or a rule leaves it empty. The same person and the same days give the same plan.
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
    private const TIGHTER = 0.5;
    /** Of the time, so much is used; below the other share somebody has to say why. */
    private const USED = 0.98;
    private const LEAST_USED = 0.9;
    /** So many shapes in a session of so many minutes, where there are as many. */
    private const LONG = 75;
    private const SHAPES = 6;

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
        $warm = $this->gentle(static fn (PracticeRung $rung): ?int => $rung->warmUp, $request);
        $resting = $this->gentle(static fn (PracticeRung $rung): ?int => $rung->rest, $request);
        $candidates = Candidates::of($wanted, $this->poses, $this->ladders, $request);
        $leftOut = [];
        $weeks = $retests = [];
        $lastDeep = [];
        foreach ($request->dates() as $number => $dates) {
            $isLight = 0 === ($number + 1) % self::CYCLE;
            $sessions = [];
            foreach ($dates as $turn => $date) {
                [$sessions[], $missed] = $this->session($date, $turn, $candidates, $warm, $resting, $request, $isLight, $lastDeep);
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
     * @param int $turn the how many-th session of its week it is: themes and remedies go round by it
     * @param list<array{PracticeRung, Side|null}> $warm what one warms up in
     * @param list<array{PracticeRung, Side|null}> $resting what one rests in
     * @param array<string, \DateTimeImmutable> $lastDeep by component, kept from session to session
     *
     * @return array{PlannedSession, array<string, Reason>}
     */
    private function session(\DateTimeImmutable $on, int $turn, Candidates $candidates, array $warm, array $resting, PlanRequest $request, bool $isLight, array &$lastDeep): array
    {
        $budget = 60 * $request->minutes;
        $dose = $this->doseOn[(int) $on->format('N')] ?? $this->dose;
        $warmUp = self::warmUp($warm, (int) max(WarmUpFirst::least($request->minutes), min(self::WARM_UP_MOST, 0.15 * $budget)));
        $rest = self::rest($resting, (int) max(self::REST_LEAST, min(self::REST_MOST, 0.08 * $budget)));
        $left = $budget - self::seconds([...$warmUp, ...$rest]);
        if ([] === $warmUp) {
            // Nobody works cold.
            $reason = new Reason('plan.no-warm-up', Source::Trade);

            return [new PlannedSession($on, [], null, new Unused($request->minutes, $reason)), array_fill_keys(array_map(static fn (Candidate $candidate): string => $candidate->posture, $candidates->list), $reason)];
        }
        $leftOut = $work = [];
        $theme = $tooSoon = null;
        foreach (self::inTurn($candidates->list, $turn) as $candidate) {
            $isTooSoon = $candidate->isDeep() && [] !== array_filter($candidate->components, static fn (string $component): bool => isset($lastDeep[$component]) && Day::between($lastDeep[$component], $on) < $dose->daysApart);
            if ($isTooSoon) {
                $tooSoon = new Reason('plan.unused-apart', Source::Trade, ['days' => $dose->daysApart]);
                continue;
            }
            $items = $this->items($candidate, $dose);
            $needed = self::seconds($items);
            if ($needed > $left) {
                $leftOut[$candidate->posture] = new Reason('plan.no-time', Source::Own, ['minutes' => $request->minutes]);
                continue;
            }
            $left -= $needed;
            $work[] = [$candidate->rank(), $items];
            $theme ??= $candidate->isWanted ? $candidate->posture : null;
            foreach ($candidate->isDeep() ? $candidate->components : [] as $component) {
                $lastDeep[$component] = $on;
            }
        }
        $spare = (int) ((1.0 - self::USED) * $budget);
        foreach (self::round($candidates->remedies, $turn) as $number => $candidate) {
            $isEnough = FillTime::room(array_merge(...array_column($work, 1)), $dose, $candidates->short) >= $left - $spare && ($request->minutes < self::LONG || count($work) >= self::SHAPES);
            $items = $this->items($candidate, $dose);
            $needed = self::seconds($items);
            // One is there always, as far as there is room: what was found short is worked on, not only looked at.
            if ($needed > $left || ($number > 0 && $isEnough)) {
                continue;
            }
            $left -= $needed;
            $work[] = [$candidate->rank(), $items];
        }
        usort($work, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $items = FillTime::of(array_merge(...array_column($work, 1)), max(0, $left - $spare), $dose, $candidates->short);
        if ($isLight) {
            $items = array_map(static fn (PlannedItem $item): PlannedItem => Phase::Work === $item->phase ? $item->lasting(FillTime::grain(self::LIGHT * $item->seconds)) : $item, $items);
        }
        $because = $isLight ? new Reason('plan.unused-light', Source::Trade) : $tooSoon ?? new Reason(match (true) {
            [] === $work => 'plan.unused-nothing',
            [] !== $candidates->short => 'plan.unused-short',
            [] === $leftOut => 'plan.unused-most',
            default => 'plan.unused-room',
        }, Source::Trade);
        $items = [...$warmUp, ...$items, ...$rest];
        $empty = $budget - self::seconds($items);

        return [new PlannedSession($on, $items, $theme, $empty > (1.0 - self::LEAST_USED) * $budget ? new Unused(intdiv($empty, 60), $because) : null, $dose), $leftOut];
    }

    /** @param list<PlannedItem> $items */
    private static function seconds(array $items): int
    {
        return array_sum(array_map(static fn (PlannedItem $item): int => $item->seconds, $items));
    }

    /**
     * The wanted poses take turns in standing first; what else there is keeps its order.
     *
     * @param list<Candidate> $candidates
     *
     * @return list<Candidate>
     */
    private static function inTurn(array $candidates, int $turn): array
    {
        $wanted = array_values(array_filter($candidates, static fn (Candidate $candidate): bool => $candidate->isWanted));
        $theme = [] === $wanted ? [] : [$wanted[$turn % count($wanted)]];

        return [...$theme, ...array_values(array_filter($candidates, static fn (Candidate $candidate): bool => !in_array($candidate, $theme, true)))];
    }

    /**
     * @param list<Candidate> $candidates
     *
     * @return list<Candidate> another one first each time
     */
    private static function round(array $candidates, int $turn): array
    {
        $from = [] === $candidates ? 0 : $turn % count($candidates);

        return [...array_slice($candidates, $from), ...array_slice($candidates, 0, $from)];
    }

    /**
     * The work on one posture with its counterpose.
     *
     * @return list<PlannedItem>
     */
    private function items(Candidate $candidate, Dose $dose): array
    {
        $items = [];
        $add = function (?Side $side, PracticeRung $rung, float $part) use (&$items, $candidate, $dose): void {
            $hold = $this->poses->person->holds->keepsShort($rung->rung->work, $side) ? $dose->seconds($rung) : min($dose->most($rung), $dose->seconds($rung) * $this->growth($rung, $side));
            $items[] = new PlannedItem($rung, Phase::Work, $side, PlannedSession::CHANGE + FillTime::grain($part * $candidate->weight * $hold), $candidate->because);
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

    /** Of both sides at once, that of the one which is behind. */
    private function growth(PracticeRung $rung, ?Side $side): float
    {
        return min(array_map(fn (Side $one): float => Growth::of($this->poses->person->seen, $rung->posture, $rung->rung->id, $one, $this->poses->person->on, $this->poses->person->liftedAt($one)), null === $side ? Side::cases() : [$side]));
    }

    /**
     * @param list<array{PracticeRung, Side|null}> $able
     *
     * @return list<PlannedItem>
     */
    private static function warmUp(array $able, int $seconds): array
    {
        $items = [];
        $each = [] === $able ? 0 : max(self::WARM_UP_ITEM, (int) (ceil($seconds / count($able) / FillTime::GRAIN) * FillTime::GRAIN));
        foreach ($able as [$rung, $side]) {
            if ($seconds <= 0) {
                break;
            }
            $items[] = new PlannedItem($rung, Phase::WarmUp, $side, min($each, max(FillTime::GRAIN, $seconds)), new Reason('plan.warm-up', Source::Trade));
            $seconds -= $each;
        }

        return $items;
    }

    /**
     * @param list<array{PracticeRung, Side|null}> $able
     *
     * @return list<PlannedItem>
     */
    private static function rest(array $able, int $seconds): array
    {
        return [] === $able ? [] : [new PlannedItem($able[0][0], Phase::Rest, $able[0][1], intdiv($seconds, FillTime::GRAIN) * FillTime::GRAIN, new Reason('plan.rest', Source::Trade))];
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
            if (null === $order || in_array($id, $request->forbidden, true) || !$rung->rung->isGentle() || !$request->equipment->has($rung)) {
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
