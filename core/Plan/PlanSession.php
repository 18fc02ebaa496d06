<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * One session after the other, as a teacher would lay it out (common practice): warming up for what follows, a number
 * that is read, drills for the limiters, the wanted poses in turns as the theme and what leads to them, by how much
 * each asks (WorkOrder), what undoes what is deep, gentle shapes for what is short, the same number again, and rest.
 * Within the hard rules (Rule/) what counts most comes first (Wish), and the time is used (FillTime) or a rule leaves
 * it free. So few pieces that one can settle in each.
 */
final class PlanSession
{
    /** A lighter week has about so much of the volume. */
    private const LIGHT = 0.6;
    /** So many shapes in a session of so many minutes, where there are as many. */
    private const LONG = 75;
    private const SHAPES = 6;
    /** One drill for each so many minutes. */
    private const DRILL_MINUTES = 30;

    private readonly SessionBudget $budget;
    private readonly Turns $turns;
    private readonly WorkItems $items;
    private readonly Likeness $likeness;
    /** @var list<PracticeRung> what is worked on in sessions, as far as there is room */
    private readonly array $worked;
    /** @var array<string, Measure|null> by posture */
    private array $measures = [];

    /** @param array<string, list<PracticeRung>> $ladders by posture */
    public function __construct(
        private readonly ReadPoses $poses,
        private readonly Candidates $candidates,
        private readonly GentleShapes $gentle,
        private readonly PlanRequest $request,
        array $ladders,
    ) {
        $this->budget = new SessionBudget($request->minutes);
        $this->turns = new Turns($candidates);
        $this->items = new WorkItems($poses, $request, $ladders);
        $this->likeness = new Likeness();
        $this->worked = array_merge(
            ...array_map(
                static fn (Candidate $one): array => array_values(array_filter($one->rungs)),
                $candidates->list,
            ),
        );
    }

    /**
     * @param int $turn the how many-th aim it is for: themes go round by it
     * @param int $count the how many-th session of the plan it is: what warms up, movements and remedies go round by it
     */
    public function on(
        \DateTimeImmutable $on,
        int $turn,
        int $count,
        Dose $dose,
        bool $isLight,
    ): PlannedSession {
        $isSport = in_array((int) $on->format('N'), $this->request->sportDays, true);
        $theme = $this->turns->theme($turn, $on, $dose);
        $measured =
            $theme ??
            ([] === $this->candidates->aims ? null : $this->candidates->aims[$turn % count($this->candidates->aims)]);
        $measure = null === $measured ? null : ($this->measures[$measured] ??= Measure::of($measured, $this->poses));
        $limiter = null === $measure ? null : Remedy::ofAbility($measure->ability)?->value;
        $warmUp = $this->gentle->warmUp(
            $this->budget->warmUp(null === $measure ? 0 : Measure::SECONDS),
            null === $limiter ? [] : [$limiter],
            $count,
            $this->worked,
            $this->likeness,
        );
        $rest = $this->gentle->rest($this->budget->rest());
        if ([] === $warmUp) {
            // Nobody works cold.
            $reason = new Reason('plan.no-warm-up', Source::Trade);
            $postures = array_map(
                static fn (Candidate $candidate): string => $candidate->posture,
                $this->candidates->list,
            );

            return $this->free($on, $dose, $reason, array_fill_keys($postures, $reason), $isSport);
        }
        $work = new SessionWork(
            $this->poses,
            $this->items,
            $dose,
            $on,
            $this->request->minutes,
            $this->budget->seconds - self::seconds([...$warmUp, ...$rest]),
            $this->budget->pieces() - self::pieces([...$warmUp, ...$rest]),
            array_map(static fn (PlannedItem $item): PracticeRung => $item->rung, $warmUp),
            $this->likeness,
        );
        $tradesAway = $this->takeWork($work, $theme, $count, $on, $dose);
        if ([] === $work->all()) {
            // Without any work there is nothing to warm up for.
            return $this->free($on, $dose, $this->because($work, $tradesAway, $isLight), $tradesAway, $isSport);
        }
        $items = $work->filled($theme, $this->budget->spare());
        foreach ($work->all() as $key => [$candidate]) {
            $this->items->practise($key);
            $this->turns->work($candidate, $on);
        }
        $items = [...$warmUp, ...$isLight ? self::lighter($items, $dose) : $items];
        if (!$isLight && [] !== $rest) {
            $empty = $this->budget->seconds - self::seconds([...$items, ...$rest]);
            $rest = $this->gentle->rest($this->budget->rest() + $this->budget->longerRest($empty));
        }
        $items = [...$items, ...$rest];
        $empty = $this->budget->seconds - self::seconds($items);

        return new PlannedSession(
            $on,
            $items,
            null !== $theme && $work->has($theme) ? $theme : null,
            $this->budget->isTooMuch($empty)
                ? new Unused(intdiv($empty, 60), $this->because($work, $tradesAway, $isLight))
                : null,
            $dose,
            $measure,
            $tradesAway,
            $isSport,
        );
    }

    /** @return array<string, Reason> what was not taken, by posture */
    private function takeWork(
        SessionWork $work,
        ?string $theme,
        int $count,
        \DateTimeImmutable $on,
        Dose $dose,
    ): array {
        $tradesAway = [];
        $drills = $this->turns->drills($count);
        foreach ($this->byWeight($theme, $count) as $place => $candidate) {
            $not = $this->turns->tooSoon($candidate, $on, $dose) ?? $work->take($candidate);
            if (null !== $not) {
                $tradesAway[$candidate->posture] = $not;
            }
            // What limits is worked on by itself before everything else that one would like finds room.
            if (0 === $place) {
                $this->takeDrills($drills, $on, $dose, $work);
            }
        }
        if ([] === $this->candidates->list) {
            $this->takeDrills($drills, $on, $dose, $work);
        }
        $this->takeRemedies($count, $work);

        return $tradesAway;
    }

    /**
     * A day on which nothing is done.
     *
     * @param array<string, Reason> $tradesAway
     */
    private function free(
        \DateTimeImmutable $on,
        Dose $dose,
        Reason $because,
        array $tradesAway,
        bool $isSport,
    ): PlannedSession {
        return new PlannedSession(
            $on,
            [],
            null,
            new Unused($this->request->minutes, $because),
            $dose,
            null,
            $tradesAway,
            $isSport,
        );
    }

    /**
     * What matters most first; of what matters alike another one first each time.
     *
     * @return list<Candidate>
     */
    private function byWeight(?string $theme, int $count): array
    {
        $alike = [];
        foreach ($this->candidates->list as $candidate) {
            $alike[$candidate->weight($theme)][] = $candidate;
        }
        krsort($alike);

        return array_merge(
            ...array_map(
                static fn (array $candidates): array => Turns::round($candidates, $count),
                array_values($alike),
            ),
        );
    }

    /** @param list<Candidate> $drills */
    private function takeDrills(array $drills, \DateTimeImmutable $on, Dose $dose, SessionWork $work): void
    {
        // What is worked on deep by itself is not moved in deep beside it.
        $worked = array_map(static fn (Candidate $one): string => $one->posture, $this->candidates->list);
        $positions = [];
        foreach ($drills as $drill) {
            // Another drill is another position: two from the same one are one too many.
            if (
                (!$drill->isDeep() || !in_array($drill->posture, $worked, true) || Turns::isPinned($drill))
                && count($positions) < max(1, intdiv($this->request->minutes, self::DRILL_MINUTES))
                && !isset($positions[$drill->posture])
                && null === $this->turns->tooSoon($drill, $on, $dose)
                && null === $work->take($drill)
            ) {
                $positions[$drill->posture] = true;
            }
        }
    }

    /**
     * One is there always, as far as there is room: what was found short is worked on, not only looked at. What then is
     * left of the time is for the rest of the body.
     */
    private function takeRemedies(int $count, SessionWork $work): void
    {
        $taken = 0;
        foreach ([$this->turns->remedies($count), $this->turns->whole($count)] as $gentle) {
            foreach ($gentle as $candidate) {
                $isEnough =
                    $work->canFill($this->budget->spare())
                    && ($this->request->minutes < self::LONG || count($work->all()) >= self::SHAPES);
                if ($work->isFull() || ($taken > 0 && $isEnough)) {
                    return;
                }
                $taken += null === $work->take($candidate) ? 1 : 0;
            }
        }
    }

    /**
     * What is repeated is repeated as often as it takes, in a lighter week, too.
     *
     * @param list<PlannedItem> $items
     *
     * @return list<PlannedItem>
     */
    private static function lighter(array $items, Dose $dose): array
    {
        return array_map(
            static fn (PlannedItem $item): PlannedItem => $item->isWork() ? $item->lighter($dose, self::LIGHT) : $item,
            $items,
        );
    }

    /** @param array<string, Reason> $tradesAway */
    private function because(SessionWork $work, array $tradesAway, bool $isLight): Reason
    {
        $apart =
            array_values(
                array_filter($tradesAway, static fn (Reason $reason): bool => 'plan.unused-apart' === $reason->code),
            )[0] ?? null;

        return match (true) {
            $isLight => new Reason('plan.unused-light', Source::Trade),
            null !== $apart => $apart,
            [] === $work->all() => new Reason('plan.unused-nothing', Source::Trade),
            $work->keepsShort() => new Reason('plan.unused-short', Source::Trade),
            $work->isNew() => new Reason('plan.unused-new', Source::Trade),
            default => new Reason([] === $tradesAway ? 'plan.unused-most' : 'plan.unused-room', Source::Trade),
        };
    }

    /** @param list<PlannedItem> $items */
    private static function pieces(array $items): int
    {
        $names = array_map(
            static fn (PlannedItem $item): string => "{$item->rung->posture}/{$item->rung->rung->id}",
            $items,
        );

        return count(array_unique($names));
    }

    /** @param list<PlannedItem> $items */
    private static function seconds(array $items): int
    {
        return array_sum(array_map(static fn (PlannedItem $item): int => $item->seconds, $items));
    }
}
