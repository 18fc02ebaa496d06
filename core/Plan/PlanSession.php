<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * One session after the other, as a teacher would lay it out (common practice): warming up for what follows, a number
 * that is read, drills for the limiters, the wanted poses in turns as the theme and what leads to them, lying before
 * seated before loaded, what undoes each, gentle shapes for what is short, the same number again, and rest. Within the
 * hard rules (Rule/) what counts most comes first (Wish), and the time is used (FillTime) or a rule leaves it free.
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
    /** @var array<string, Measure|null> by posture */
    private array $measures = [];

    public function __construct(
        private readonly ReadPoses $poses,
        private readonly Candidates $candidates,
        private readonly GentleShapes $gentle,
        private readonly PlanRequest $request,
    ) {
        $this->budget = new SessionBudget($request->minutes);
        $this->turns = new Turns($candidates);
        $this->items = new WorkItems($poses, $request);
    }

    /** @param int $turn the how many-th it is: themes and remedies go round by it */
    public function on(\DateTimeImmutable $on, int $turn, Dose $dose, bool $isLight): PlannedSession
    {
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
        $left = $this->budget->seconds - self::seconds([...$warmUp, ...$rest]);
        $work = $tradesAway = [];
        $room = 0;
        $take = function (Candidate $candidate) use (&$left, &$work, &$room, $dose, $on): bool {
            $items = $this->items->of($candidate, $dose);
            $needed = self::seconds($items);
            if ($needed > $left || isset($work[$candidate->key()]) || self::isThere($candidate, $work)) {
                return false;
            }
            $left -= $needed;
            $work[$candidate->key()] = [$candidate, $items];
            $room += FillTime::room($items, $dose, $this->short([$candidate->key() => [$candidate]]));
            $this->turns->work($candidate, $on);

            return true;
        };
        $drills = $this->turns->drills($turn);
        foreach ($this->byWeight($theme) as $place => $candidate) {
            $apart = $this->turns->tooSoon($candidate, $on, $dose);
            if (null !== $apart || !$take($candidate)) {
                $tradesAway[$candidate->posture] =
                    $apart ??
                    (self::isThere($candidate, $work)
                        ? new Reason('plan.same-shape', Source::Own, ['posture' => $candidate->posture])
                        : new Reason('plan.no-time', Source::Own, ['minutes' => $this->request->minutes]));
            }
            // What limits is worked on by itself before everything else that one would like finds room.
            if (0 === $place) {
                $this->takeDrills($drills, $on, $dose, $take);
            }
        }
        if ([] === $this->candidates->list) {
            $this->takeDrills($drills, $on, $dose, $take);
        }
        $this->takeRemedies($turn, $work, $left, $room, $take);
        if ([] === $work) {
            // Without any work there is nothing to warm up for.
            return $this->free($on, $dose, $this->because($work, $tradesAway, $isLight), $tradesAway, $isSport);
        }
        $items = $this->filled($work, max(0, $left - $this->budget->spare()), $dose, $theme, $isLight);
        foreach (array_keys($work) as $key) {
            $this->items->practise($key);
        }
        $items = [...$warmUp, ...$items, ...$rest];
        $empty = $this->budget->seconds - self::seconds($items);

        return new PlannedSession(
            $on,
            $items,
            isset($work[$theme ?? '']) ? $theme : null,
            $this->budget->isTooMuch($empty)
                ? new Unused(intdiv($empty, 60), $this->because($work, $tradesAway, $isLight))
                : null,
            $dose,
            $measure,
            $tradesAway,
            $isSport,
        );
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

    /** @return list<Candidate> */
    private function byWeight(?string $theme): array
    {
        $list = $this->candidates->list;
        $weights = array_map(static fn (Candidate $one): int => $one->weight($theme), $list);
        uksort($list, static fn (int $a, int $b): int => $weights[$b] <=> $weights[$a]);

        return array_values($list);
    }

    /**
     * Whether all that would be done of it is done already, for another posture.
     *
     * @param array<string, array{Candidate, list<PlannedItem>}> $work
     */
    private static function isThere(Candidate $candidate, array $work): bool
    {
        if ([] === $candidate->shapes) {
            return false;
        }
        $there = array_merge(...array_values(array_map(static fn (array $one): array => $one[0]->shapes, $work)));

        return [] === array_diff($candidate->shapes, $there);
    }

    /**
     * @param list<Candidate> $drills
     * @param callable(Candidate): bool $take
     */
    private function takeDrills(array $drills, \DateTimeImmutable $on, Dose $dose, callable $take): void
    {
        $positions = [];
        foreach ($drills as $drill) {
            // Another drill is another position: two from the same one are one too many.
            if (
                count($positions) < max(1, intdiv($this->request->minutes, self::DRILL_MINUTES))
                && !isset($positions[$drill->posture])
                && null === $this->turns->tooSoon($drill, $on, $dose)
                && $take($drill)
            ) {
                $positions[$drill->posture] = true;
            }
        }
    }

    /**
     * One is there always, as far as there is room: what was found short is worked on, not only looked at.
     *
     * @param array<string, array{Candidate, list<PlannedItem>}> $work
     * @param int $left seconds that nothing has taken
     * @param int $room seconds that what is there could take beside what it has
     * @param callable(Candidate): bool $take
     */
    private function takeRemedies(int $turn, array &$work, int &$left, int &$room, callable $take): void
    {
        $taken = 0;
        foreach ($this->turns->remedies($turn) as $candidate) {
            $isEnough =
                $room >= $left - $this->budget->spare()
                && ($this->request->minutes < self::LONG || count($work) >= self::SHAPES);
            if ($taken > 0 && $isEnough) {
                return;
            }
            $taken += $take($candidate) ? 1 : 0;
        }
    }

    /**
     * @param array<string, array{Candidate, list<PlannedItem>}> $work
     *
     * @return list<PlannedItem> in their order, as long as the time allows
     */
    private function filled(array $work, int $seconds, Dose $dose, ?string $theme, bool $isLight): array
    {
        $orders = array_map(static fn (array $one): array => $one[0]->order($dose), $work);
        uksort($work, static fn (int|string $a, int|string $b): int => $orders[$a] <=> $orders[$b]);
        $items = FillTime::of(
            self::itemsOf($work),
            $seconds,
            $dose,
            $this->short($work),
            array_map(static fn (array $one): float => $one[0]->worth($theme), $work),
        );

        // What is repeated is repeated as often as it takes, in a lighter week, too.
        return $isLight
            ? array_map(
                static fn (PlannedItem $item): PlannedItem => Phase::Work === $item->phase
                    ? $item->lighter($dose, self::LIGHT)
                    : $item,
                $items,
            )
            : $items;
    }

    /**
     * @param array<string, array{Candidate, list<PlannedItem>}> $work
     * @param array<string, Reason> $tradesAway
     */
    private function because(array $work, array $tradesAway, bool $isLight): Reason
    {
        $apart =
            array_values(
                array_filter($tradesAway, static fn (Reason $reason): bool => 'plan.unused-apart' === $reason->code),
            )[0] ?? null;

        return match (true) {
            $isLight => new Reason('plan.unused-light', Source::Trade),
            null !== $apart => $apart,
            [] === $work => new Reason('plan.unused-nothing', Source::Trade),
            [] !== $this->short($work) => new Reason('plan.unused-short', Source::Trade),
            default => new Reason([] === $tradesAway ? 'plan.unused-most' : 'plan.unused-room', Source::Trade),
        };
    }

    /**
     * @param array<string, array{0: Candidate, 1?: list<PlannedItem>}> $work
     *
     * @return list<string> keys of what keeps the hold with which it begins
     */
    private function short(array $work): array
    {
        return array_keys(
            array_filter($work, fn (array $one): bool => $one[0]->keepsShort($this->poses->person->holds)),
        );
    }

    /**
     * @param array<string, array{Candidate, list<PlannedItem>}> $work
     *
     * @return list<PlannedItem>
     */
    private static function itemsOf(array $work): array
    {
        return array_merge(...array_column($work, 1));
    }

    /** @param list<PlannedItem> $items */
    private static function seconds(array $items): int
    {
        return array_sum(array_map(static fn (PlannedItem $item): int => $item->seconds, $items));
    }
}
