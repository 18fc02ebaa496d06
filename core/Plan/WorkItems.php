<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * What is done of one candidate: its sides in their order, on which rung or in which form beside it, for how long, and
 * what undoes it. How often it was practised decides on the order, the form and whether it is new.
 */
final class WorkItems
{
    private const COUNTER = 45;
    /** What one, two, three or four forms that take turns have come round by. */
    private const FORMS = 12;

    /** @var array<string, int> sessions in which something was practised, logged ones among them, by key */
    private array $practised = [];
    /**
     * @var array<string, list<PracticeRung>> a rung and the forms that may be alternated with it, by posture,
     *     rung and side
     */
    private array $forms = [];
    /**
     * @var array<string, list<PlannedItem>> the work on something, by key, school, whether it is new, and whose turn it
     *     is
     */
    private array $items = [];
    /** @var array<string, float> how many times as long as in the beginning a shape is held by now */
    private array $grown = [];
    private readonly bool $isPractised;

    /** @param array<string, list<PracticeRung>> $ladders by posture */
    public function __construct(
        private readonly ReadPoses $poses,
        private readonly PlanRequest $request,
        private readonly array $ladders,
    ) {
        $days = [];
        foreach ($poses->person->seen as $seen) {
            $days[$seen->posture][Day::of($seen->on)] =
                $seen->isPractice || ($days[$seen->posture][Day::of($seen->on)] ?? false);
        }
        $this->practised = array_map(static fn (array $days): int => count(array_filter($days)), $days);
        $this->isPractised = Growth::isPractised($poses);
    }

    /**
     * How long a gentle shape may be held on a day at most.
     *
     * @return float seconds on a side
     */
    public function longest(PracticeRung $rung, ?Side $side, Dose $dose, \DateTimeImmutable $on): float
    {
        return Growth::gentle($rung, $dose, $this->grown($rung, $side), $this->weeksUntil($on), $this->isPractised);
    }

    private function grown(PracticeRung $rung, ?Side $side): float
    {
        return $this->grown[spl_object_id($rung).($side->value ?? '')] ??= Growth::now($this->poses, $rung, $side);
    }

    private function weeksUntil(\DateTimeImmutable $on): int
    {
        return max(0, intdiv(Day::between($this->poses->person->on, $on), Growth::WEEK));
    }

    /** From the next session on it was practised once more. */
    public function practise(string $key): void
    {
        $this->practised[$key] = ($this->practised[$key] ?? 0) + 1;
    }

    /**
     * The work on one posture with its counterpose.
     *
     * @return list<PlannedItem>
     */
    public function of(Candidate $candidate, Dose $dose, \DateTimeImmutable $on): array
    {
        $sessions = $this->practised[$candidate->key()] ?? 0;
        // Where forms take turns, it is another one by the session, and more of them are for later weeks.
        $isWantedFor = isset($this->poses->person->purposes[$candidate->posture]);
        $turn = $candidate->hasForms() || $isWantedFor ? $sessions % self::FORMS.' '.$this->weeksUntil($on) : '';

        return $this->items[
            $candidate->key().' '.$dose->school.' '.(int) ($sessions < SideOrder::NEW).' '.$turn
        ] ??= $this->laidOut($candidate, $dose, $sessions, $on);
    }

    /** @return list<PlannedItem> */
    private function laidOut(Candidate $candidate, Dose $dose, int $sessions, \DateTimeImmutable $on): array
    {
        $items = [];
        foreach (SideOrder::of($candidate, $sessions) as [$side, $rung, $part]) {
            $isShort = $this->poses->person->holds->keepsShort($rung->rung->work, $side);
            $rung = null === $candidate->drill && !$isShort
                ? $this->form($rung, $side, $sessions, $dose, $on)
                : $rung;
            if (null !== $candidate->drill) {
                $seconds = FillTime::grain($candidate->drill->range->least);
            } else {
                // More for the tighter side, and no longer than the shape is held at most.
                $seconds = $dose
                    ->range($rung)
                    ->hold(
                        $part *
                            ($isShort
                                ? $dose->seconds($rung)
                                : Growth::grown($rung, $dose, $this->grown($rung, $side))),
                    );
            }
            $items[] = new PlannedItem(
                $rung,
                Phase::Work,
                $side,
                PlannedSession::CHANGE + $seconds,
                $candidate->because,
                $candidate->drill,
                null !== $candidate->set,
            );
        }
        if (null !== $candidate->counter) {
            $items[] = new PlannedItem(
                $candidate->counter,
                Phase::Counter,
                $candidate->counterSide,
                self::COUNTER,
                new Reason('plan.counter', Source::Trade, ['posture' => $candidate->drill->id ?? $candidate->posture]),
            );
        }

        return $items;
    }

    /** A rung and its forms take turns from session to session, as far as they may be practised now. */
    private function form(
        PracticeRung $rung,
        ?Side $side,
        int $sessions,
        Dose $dose,
        \DateTimeImmutable $on,
    ): PracticeRung {
        $key = $rung->posture.' '.$rung->rung->id.' '.($side->value ?? '');
        $this->forms[$key] ??= array_values(
            array_filter(
                Stage::shapes($rung, $this->poses->person->purposes[$rung->posture] ?? null, $this->ladders),
                fn (PracticeRung $form): bool => $form === $rung
                    || ($form->stance === $rung->stance
                        && $form->rung->isForAnybody() === $rung->rung->isForAnybody()
                        && $this->request->equipment->has($form)
                        && May::practise($this->poses, $form->posture, $form->rung->id, $side)->isYes()),
            ),
        );

        $forms = array_values(
            array_filter(
                $this->forms[$key],
                // What is held for many minutes at least is for later.
                fn (PracticeRung $form): bool => $form === $rung
                    || $dose->range($form)->least <= $this->longest($rung, $side, $dose, $on),
            ),
        );

        return [] === $forms ? $rung : $forms[$sessions % count($forms)];
    }
}
