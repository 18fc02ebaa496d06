<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Posture\FeltPlace;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Practice\FeltOnRung;
use LucidAscent\Core\Practice\Restart;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * Where a side stands on a ladder, and what keeps the rungs above closed.
 *
 * The rung now is the lowest that is not passed, if it is admissible; else the highest passed one below,
 * with what bars the way. Nobody starts on the highest rung that the numbers would allow.
 */
final readonly class LadderPosition
{
    /**
     * @param RungReading|null $rung null while there is none to practise
     * @param RungReading|null $next the rung that the bars keep closed; null while nothing bars any
     * @param list<Reason> $bars what keeps the next rung closed
     * @param list<string> $passed ids of the rungs that were passed
     * @param bool $isTried whether the rung's demand is not known, and trying it is how one finds out
     * @param array<string, list<Reason>> $closed why each rung is closed, all below it being passed, by its id; nothing
     *     when it is not
     * @param non-empty-list<RungReading> $ladder from the ground up
     * @param bool $isBegun whether anything of the ladder was passed, or practised at all
     * @param array<string, FeltPlace> $felt the wrong place in which a rung was felt twice, by its id: nobody goes on
     *     from it
     */
    private function __construct(
        public ?RungReading $rung,
        public ?RungReading $next,
        public array $bars,
        public array $passed,
        public bool $isTried,
        private array $closed,
        private array $ladder,
        private string $posture,
        private bool $isBegun,
        private array $felt,
    ) {
    }

    /**
     * @param non-empty-list<RungReading> $rungs from the ground up
     * @param callable(AbilityMargin, RungReading): bool $canBeMeasured whether a reading would settle a margin of a
     *     rung
     * @param callable(\DateTimeImmutable): ?self $before where the side stood just before a moment; null when nobody
     *     knows
     */
    public static function of(
        PostureDefinition $posture,
        array $rungs,
        Snapshot $person,
        Side $side,
        callable $canBeMeasured,
        callable $before,
    ): self {
        $felt = [];
        foreach ($rungs as $rung) {
            $felt[$rung->rung->id] = $person->felt($posture->id, $rung->rung, $side);
        }
        $passed = self::passed($posture, $rungs, $person, $side, $before, $felt);
        $kept = array_filter(array_map(static fn (FeltOnRung $one): ?FeltPlace => $one->wrongTwice(), $felt));
        $isBegun = [] !== $passed || $person->hasPractised($posture->id, $side);
        $now = null;
        $closed = $names = [];
        foreach ($rungs as $i => $rung) {
            $id = $rung->rung->id;
            // What was passed has been done: the numbers close it no more.
            $closed[$id] = isset($passed[$i]) ? $rung->bars() : self::bars($rung, $canBeMeasured);
            isset($passed[$i]) ? ($names[] = $id) : ($now ??= $i);
        }
        [$next, $bars] = null === $now ? [null, []] : [$rungs[$now], $closed[$rungs[$now]->rung->id]];
        if (null !== $next && [] === $bars) {
            return new self(
                $next,
                null,
                [],
                $names,
                State::Unknown === $next->state(),
                $closed,
                $rungs,
                $posture->id,
                $isBegun,
                $kept,
            );
        }
        // The highest passed one below that nothing closes.
        $found = null;
        for ($i = ($now ?? count($rungs)) - 1; $i >= 0 && null === $found; --$i) {
            $closing = $closed[$rungs[$i]->rung->id];
            if ([] === $closing) {
                $found = $rungs[$i];
            } elseif ([] === $bars) {
                [$next, $bars] = [$rungs[$i], $closing];
            }
        }

        return new self($found, $next, $bars, $names, false, $closed, $rungs, $posture->id, $isBegun, $kept);
    }

    public function hasPassed(string $rung): bool
    {
        return in_array($rung, $this->passed, true);
    }

    /**
     * Why a rung may not be practised now; nothing when it may.
     *
     * @return list<Reason>
     */
    public function closing(string $rung): array
    {
        return [...$this->closed[$rung] ?? [], ...$this->below($rung)];
    }

    /** @return list<Reason> what has to be passed before a rung */
    public function below(string $rung): array
    {
        $bars = [];
        foreach ($this->under($rung) as $below) {
            if (!$this->hasPassed($below->rung->id)) {
                $bars[] = $this->comesFirst($below);
            }
        }

        return $bars;
    }

    /**
     * Why a rung is not tried under the teacher's eye, on the way up from the ground; nothing when it may be. The first
     * below it that was not clean ends the way up, and so does what is held and was never passed.
     *
     * @return list<Reason>
     */
    public function barsToTry(string $rung): array
    {
        $bars = [];
        foreach ($this->ladder as $reading) {
            array_push($bars, ...$reading->rung->id === $rung ? $reading->barsToTry() : []);
        }
        foreach ($this->under($rung) as $below) {
            if (
                false === $below->seen?->isClean
                || ([] !== $below->heldBy && !$this->hasPassed($below->rung->id))
            ) {
                $bars[] = $this->comesFirst($below);
            }
        }

        return $bars;
    }

    /** Whether nothing but what has to be passed before it closes a rung. */
    public function isOpenAfterThis(string $rung): bool
    {
        return isset($this->closed[$rung]) && [] === $this->closed[$rung];
    }

    /**
     * Why a rung that was not passed may not be practised now, all below it being passed; nothing when it may.
     *
     * @param callable(AbilityMargin, RungReading): bool $canBeMeasured
     *
     * @return list<Reason>
     */
    public static function bars(RungReading $rung, callable $canBeMeasured): array
    {
        $bars = $rung->bars();
        if ([] !== $bars || $rung->isSeenClean()) {
            return $bars;
        }
        $state = $rung->stateUnheld();
        if (
            $state->isInReach()
            || ($rung->rung->isForAnybody() && (State::Unknown === $state || $rung->isImpossible))
        ) {
            return [];
        }
        if ($rung->isImpossible) {
            return [new Reason('body.cannot', Source::Computed)];
        }
        foreach ($rung->byWeight() as $margin) {
            $numbers = ['ability' => $margin->ability->value, 'leg' => $margin->isOtherLeg ? 'second' : 'first'];
            if (State::Short === $margin->state()) {
                $bars[] = new Reason(
                    'bar.short',
                    Source::Computed,
                    $numbers + ['more' => abs($margin->difference()), 'unit' => $margin->unit()],
                );
            } elseif (State::Unknown === $margin->state() && $canBeMeasured($margin, $rung)) {
                $bars[] = new Reason('bar.unread', Source::Own, $numbers);
            }
        }

        // Where nothing that can be measured would settle it, it is tried under the teacher's eye.
        return $bars;
    }

    /**
     * @return iterable<RungReading> the rungs below one, from the ground up; all of them where the ladder has none of
     *     that name
     */
    private function under(string $rung): iterable
    {
        foreach ($this->ladder as $reading) {
            if ($reading->rung->id === $rung) {
                return;
            }
            yield $reading;
        }
    }

    /** Why a side stays on its rung although it was clean; null where nothing of that kind keeps it. */
    public function kept(): ?Reason
    {
        $place = $this->feltWrong($this->rung?->rung->id ?? '');

        return null === $place ? null : new Reason('stay.felt', Source::Trade, ['felt' => $place->id]);
    }

    /** The wrong place in which a rung that was not passed was felt twice. */
    private function feltWrong(string $rung): ?FeltPlace
    {
        return $this->hasPassed($rung) ? null : $this->felt[$rung] ?? null;
    }

    private function comesFirst(RungReading $below): Reason
    {
        $of = ['posture' => $this->posture, 'rung' => $below->rung->id];
        $place = $this->feltWrong($below->rung->id);

        return null === $place
            ? new Reason('bar.below', Source::Trade, $of)
            : new Reason('bar.felt', Source::Trade, $of + ['felt' => $place->id]);
    }

    /**
     * From where a side goes on after a stop was lifted, practice alone passes: what was seen or measured since opens a
     * rung, and takes nobody past it.
     *
     * @param non-empty-list<RungReading> $rungs
     * @param callable(\DateTimeImmutable): ?self $before
     * @param array<string, FeltOnRung> $felt by rung
     *
     * @return array<int, true> by place on the ladder
     */
    private static function passed(
        PostureDefinition $posture,
        array $rungs,
        Snapshot $person,
        Side $side,
        callable $before,
        array $felt,
    ): array {
        $ladder = RungReading::works($rungs);
        $restarts = self::restarts($posture, $ladder, $person, $side, $before);
        $places = array_flip(array_keys($ladder));
        $goesOn = count($rungs);
        foreach ($restarts as $restart) {
            $goesOn = min($goesOn, max(0, $places[$restart->stoppedOn] - 1));
        }
        $practised = array_flip(
            $person->passed($posture->id, $side, $ladder, $restarts, $rungs[0]->isolated, $felt),
        );
        $seen = -1;
        foreach ($rungs as $i => $rung) {
            // The same shape on another ladder is not asked again; after a word each ladder goes by its own.
            $shapes = [
                [$posture->id, $rung->rung->id],
                ...[] === $person->holds->cleared ? $posture->same[$rung->rung->id] ?? [] : [],
            ];
            foreach ($rung->isReadAnewFirst() ? [] : $shapes as [$of, $id]) {
                $feltThere = $of === $posture->id ? $felt[$id] ?? null : null;
                if ($person->hasBeenSeen($of, $id, $side, $rung->seenFrom, $feltThere)) {
                    $seen = $i;
                }
            }
        }
        $passed = [];
        foreach ($rungs as $i => $rung) {
            $isMeasured =
                $rung->rung->isMeasuredThrough
                && [] === $rung->gates
                && !$rung->isReadAnewFirst()
                && State::Open === $rung->stateOfMargins()
                && !self::showsItself($posture, $rung);
            if (isset($practised[$rung->rung->id]) || ($i < $goesOn && ($i <= $seen || $isMeasured))) {
                $passed[$i] = true;
            }
        }

        return $passed;
    }

    /**
     * Where stops that were lifted let a side go on. It stopped on the lowest of three rungs: that of which it was
     * told, the highest that was worked that day, and the one on which the side stood; where nothing of the ladder had
     * been done, there is nothing to go back on.
     *
     * @param array<string, Work> $ladder what each rung loads, by its id, from the ground up
     * @param callable(\DateTimeImmutable): ?self $before
     *
     * @return list<Restart>
     */
    private static function restarts(
        PostureDefinition $posture,
        array $ladder,
        Snapshot $person,
        Side $side,
        callable $before,
    ): array {
        $ids = array_keys($ladder);
        $places = array_flip($ids);
        $restarts = [];
        foreach ($person->holds->cleared as $hold) {
            $isHeld = [] !== array_filter($ladder, static fn (Work $work): bool => $hold->holds($work, $side));
            $isOwn = $hold->posture === $posture->id && $hold->isOn($side);
            if (null === $hold->cleared || (!$isHeld && !$isOwn)) {
                continue;
            }
            $stood = $before($hold->since());
            $worked = $person->workedOn($posture->id, $side, $hold->sinceDay());
            $stops = array_filter(
                [
                    $isOwn ? $places[$posture->besides($hold->rung)] ?? null : null,
                    [] === $worked ? null : max([0, ...array_intersect_key($places, array_flip($worked))]),
                    $stood?->stoodAt(),
                ],
                static fn (?int $place): bool => null !== $place,
            );
            if ([] !== $stops) {
                $restarts[] = new Restart($ids[min($stops)], $hold->cleared->at);
            }
        }

        return $restarts;
    }

    /** The place on which a side stands, from the ground up; null where nothing of the ladder was ever done. */
    private function stoodAt(): ?int
    {
        if (!$this->isBegun) {
            return null;
        }
        $standing = $this->rung ?? $this->next;
        foreach ($this->ladder as $i => $reading) {
            if ($reading === $standing) {
                return $i;
            }
        }

        return count($this->ladder) - 1;
    }

    /**
     * Whether it is open by nothing but its own having been practised: that is no measurement, and takes three clean
     * sessions.
     */
    private static function showsItself(PostureDefinition $posture, RungReading $rung): bool
    {
        foreach ($rung->margins as $margin) {
            if (
                in_array(ReadSeen::label($posture->id, $rung->rung->id), $margin->capacity?->tests() ?? [], true)
            ) {
                return true;
            }
        }

        return false;
    }
}
