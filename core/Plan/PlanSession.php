<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\Rule\WarmUpFirst;
use LucidAscent\Core\Readiness\May;
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
    /** Of the time, so much is for warming up, within these seconds. */
    private const WARM_UP = 0.15;
    private const WARM_UP_MOST = 600;
    private const REST = 0.08;
    private const REST_LEAST = 60;
    private const REST_MOST = 300;
    private const COUNTER = 45;
    /** A lighter week has about so much of the volume. */
    private const LIGHT = 0.6;
    /** Of the time, so much is used; below the other share somebody has to say why. */
    private const USED = 0.98;
    private const LEAST_USED = 0.9;
    /** So many shapes in a session of so many minutes, where there are as many. */
    private const LONG = 75;
    private const SHAPES = 6;
    /** What one, two, three or four forms that take turns have come round by. */
    private const FORMS = 12;
    /** So many remedies take turns in coming first. */
    private const REMEDIES = 4;
    /** One drill for each so many minutes. */
    private const DRILL_MINUTES = 30;

    /** @var array<string, \DateTimeImmutable> the last deep work, by component */
    private array $lastDeep = [];
    /** @var array<string, int> sessions in which something was practised, logged ones among them, by key */
    private array $practised = [];
    /**
     * @var array<string, non-empty-list<PracticeRung>> a rung and the forms that may be alternated with it, by posture,
     *     rung and side
     */
    private array $forms = [];
    /**
     * @var array<string, list<PlannedItem>> the work on something, by key, school, whether it is new, and whose turn it
     *     is
     */
    private array $items = [];
    /** @var array<string, Measure|null> by posture */
    private array $measures = [];

    public function __construct(
        private readonly ReadPoses $poses,
        private readonly Candidates $candidates,
        private readonly GentleShapes $gentle,
        private readonly PlanRequest $request,
    ) {
        $days = [];
        foreach ($poses->person->seen as $seen) {
            $days[$seen->posture][Day::of($seen->on)] =
                $seen->isPractice || ($days[$seen->posture][Day::of($seen->on)] ?? false);
        }
        $this->practised = array_map(static fn (array $days): int => count(array_filter($days)), $days);
    }

    /** @param int $turn the how many-th it is: themes and remedies go round by it */
    public function on(\DateTimeImmutable $on, int $turn, Dose $dose, bool $isLight): PlannedSession
    {
        $budget = 60 * $this->request->minutes;
        $isSport = in_array((int) $on->format('N'), $this->request->sportDays, true);
        $theme = $this->theme($turn, $on, $dose);
        $measured =
            $theme ??
            ([] === $this->candidates->aims ? null : $this->candidates->aims[$turn % count($this->candidates->aims)]);
        $measure = null === $measured ? null : ($this->measures[$measured] ??= Measure::of($measured, $this->poses));
        $limiter = null === $measure ? null : Remedy::ofAbility($measure->ability)?->value;
        // Reading the number, with what the person says on arriving, is part of the warm-up; reading it again, of the
        // rest.
        $reading = null === $measure ? 0 : Measure::SECONDS;
        $warmUp = $this->gentle->warmUp(
            (int) max(
                WarmUpFirst::least($this->request->minutes) + $reading,
                min(self::WARM_UP_MOST, self::WARM_UP * $budget),
            ),
            null === $limiter ? [] : [$limiter],
        );
        $rest = $this->gentle->rest((int) max(self::REST_LEAST, min(self::REST_MOST, self::REST * $budget)));
        if ([] === $warmUp) {
            // Nobody works cold.
            $reason = new Reason('plan.no-warm-up', Source::Trade);
            $postures = array_map(
                static fn (Candidate $candidate): string => $candidate->posture,
                $this->candidates->list,
            );

            return $this->free($on, $dose, $reason, array_fill_keys($postures, $reason), $isSport);
        }
        $left = $budget - self::seconds([...$warmUp, ...$rest]);
        $work = $tradesAway = [];
        $room = 0;
        $take = function (Candidate $candidate) use (&$left, &$work, &$room, $dose, $on): bool {
            $items = $this->items($candidate, $dose);
            $needed = self::seconds($items);
            if ($needed > $left || isset($work[$candidate->key()]) || self::isThere($candidate, $work)) {
                return false;
            }
            $left -= $needed;
            $work[$candidate->key()] = [$candidate, $items];
            $room += FillTime::room($items, $dose, $this->short([$candidate->key() => [$candidate]]));
            foreach ($candidate->isDeep() ? $candidate->components : [] as $component) {
                $this->lastDeep[$component] = $on;
            }

            return true;
        };
        $drills = self::drillsInTurn($this->candidates->drills, $turn);
        foreach ($this->byWeight($theme) as $place => $candidate) {
            $apart = $this->tooSoon($candidate, $on, $dose);
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
        $items = $this->filled($work, max(0, $left - (int) ((1.0 - self::USED) * $budget)), $dose, $theme, $isLight);
        foreach (array_keys($work) as $key) {
            $this->practised[$key] = ($this->practised[$key] ?? 0) + 1;
        }
        $items = [...$warmUp, ...$items, ...$rest];
        $empty = $budget - self::seconds($items);

        return new PlannedSession(
            $on,
            $items,
            isset($work[$theme ?? '']) ? $theme : null,
            $empty > $budget - (int) round(self::LEAST_USED * $budget)
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

    /** The wanted poses take turns; one that has to wait for its day leaves the turn to the next. */
    private function theme(int $turn, \DateTimeImmutable $on, Dose $dose): ?string
    {
        $wanted = array_values(
            array_filter($this->candidates->list, static fn (Candidate $candidate): bool => $candidate->isWanted()),
        );
        foreach (self::round($wanted, $turn) as $candidate) {
            if (null === $this->tooSoon($candidate, $on, $dose)) {
                return $candidate->posture;
            }
        }

        return null;
    }

    /** @return list<Candidate> */
    private function byWeight(?string $theme): array
    {
        $list = $this->candidates->list;
        usort($list, static fn (Candidate $a, Candidate $b): int => $b->weight($theme) <=> $a->weight($theme));

        return $list;
    }

    /**
     * Whether all that would be done of it is done already, for another posture.
     *
     * @param array<string, array{Candidate, list<PlannedItem>}> $work
     */
    private static function isThere(Candidate $candidate, array $work): bool
    {
        $there = array_merge(...array_values(array_map(static fn (array $one): array => $one[0]->shapes(), $work)));

        return [] !== $candidate->shapes() && [] === array_diff($candidate->shapes(), $there);
    }

    private function tooSoon(Candidate $candidate, \DateTimeImmutable $on, Dose $dose): ?Reason
    {
        $isTooSoon =
            $candidate->isDeep()
            && [] !==
                array_filter(
                    $candidate->components,
                    fn (string $component): bool => isset($this->lastDeep[$component])
                        && 0 !== ($days = Day::between($this->lastDeep[$component], $on))
                        && $days < $dose->daysApart,
                );

        return $isTooSoon ? new Reason('plan.unused-apart', Source::Trade, ['days' => $dose->daysApart]) : null;
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
                && null === $this->tooSoon($drill, $on, $dose)
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
        $spare = (int) ((1.0 - self::USED) * 60 * $this->request->minutes);
        $taken = 0;
        foreach ($this->remedies($turn % self::REMEDIES) as $candidate) {
            $isEnough =
                $room >= $left - $spare && ($this->request->minutes < self::LONG || count($work) >= self::SHAPES);
            if ($taken > 0 && $isEnough) {
                return;
            }
            $taken += $take($candidate) ? 1 : 0;
        }
    }

    /** @return \Generator<Candidate> all of them, beginning with one of the first */
    private function remedies(int $from): \Generator
    {
        for ($at = $from; null !== ($candidate = $this->candidates->remedy($at)); ++$at) {
            yield $candidate;
        }
        for ($at = 0; $at < $from && null !== ($candidate = $this->candidates->remedy($at)); ++$at) {
            yield $candidate;
        }
    }

    /**
     * @param array<string, array{Candidate, list<PlannedItem>}> $work
     *
     * @return list<PlannedItem> in their order, as long as the time allows
     */
    private function filled(array $work, int $seconds, Dose $dose, ?string $theme, bool $isLight): array
    {
        uasort($work, static fn (array $a, array $b): int => $a[0]->order($dose) <=> $b[0]->order($dose));
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
                    ? $item->lasting(
                        max(
                            null === $item->drill ? 0 : $item->begun($dose)->seconds,
                            FillTime::grain(self::LIGHT * $item->seconds),
                        ),
                    )
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
     * The work on one posture with its counterpose.
     *
     * @return list<PlannedItem>
     */
    private function items(Candidate $candidate, Dose $dose): array
    {
        $sessions = $this->practised[$candidate->key()] ?? 0;

        return $this->items[
            $candidate->key().
                ' '.
                $dose->school.
                ' '.
                (int) ($sessions < SideOrder::NEW).
                ' '.
                $sessions % self::FORMS
        ] ??= $this->laidOut($candidate, $dose, $sessions);
    }

    /** @return list<PlannedItem> */
    private function laidOut(Candidate $candidate, Dose $dose, int $sessions): array
    {
        $items = [];
        foreach (SideOrder::of($candidate, $sessions) as [$side, $rung, $part]) {
            $isShort = $this->poses->person->holds->keepsShort($rung->rung->work, $side);
            $rung = null === $candidate->drill && !$isShort ? $this->form($rung, $side, $sessions) : $rung;
            if (null !== $candidate->drill) {
                $seconds = $candidate->drill->range->least;
            } else {
                $seconds =
                    $part * ($isShort ? $dose->seconds($rung) : Growth::seconds($this->poses, $rung, $side, $dose));
            }
            $items[] = new PlannedItem(
                $rung,
                Phase::Work,
                $side,
                PlannedSession::CHANGE + FillTime::grain($seconds),
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
    private function form(PracticeRung $rung, ?Side $side, int $sessions): PracticeRung
    {
        $key = $rung->posture.' '.$rung->rung->id.' '.($side->value ?? '');
        $this->forms[$key] ??= [
            $rung,
            ...array_values(
                array_filter(
                    $rung->forms,
                    fn (PracticeRung $form): bool => $form->takesTurns()
                        && $form->stance === $rung->stance
                        && $form->rung->isGentle() === $rung->rung->isGentle()
                        && $this->request->equipment->has($form)
                        && May::practise($this->poses, $form->posture, $form->rung->id, $side)->isYes(),
                ),
            ),
        ];

        return $this->forms[$key][$sessions % count($this->forms[$key])];
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

    /**
     * What the teacher wants first; then another one first each time.
     *
     * @param list<Candidate> $drills
     *
     * @return list<Candidate>
     */
    private static function drillsInTurn(array $drills, int $turn): array
    {
        $isPinned = static fn (Candidate $drill): bool => in_array(Wish::Pinned, $drill->wishes, true);

        return [
            ...array_values(array_filter($drills, $isPinned)),
            ...self::round(
                array_values(array_filter($drills, static fn (Candidate $drill): bool => !$isPinned($drill))),
                $turn,
            ),
        ];
    }

    /** @param list<PlannedItem> $items */
    private static function seconds(array $items): int
    {
        return array_sum(array_map(static fn (PlannedItem $item): int => $item->seconds, $items));
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
}
