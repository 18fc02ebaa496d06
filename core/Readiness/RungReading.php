<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Posture\RungDemand;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\Gate\GateFinding;
use LucidAscent\Core\Readiness\Gate\Gates;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Capacities;
use LucidAscent\Core\Testing\MeasuredCapacity;

/** One rung against what one side can do, what was seen of it, and what may be done at all. */
final readonly class RungReading
{
    private State $ofMargins;

    /**
     * @param list<AbilityMargin> $margins
     * @param Work $work what it loads, with what this body's own angles load
     * @param list<Hold> $heldBy
     * @param list<Ability> $testFirst what has to be read anew before this is loaded, since a hold was lifted
     * @param list<GateFinding> $gates
     * @param Seen|null $seen the newest try that counts
     * @param EvidenceCutOff|null $since what is older than this counts no more here
     * @param EvidenceCutOff|null $seenFrom what was seen before this counts no more here: it comes after the tests
     * @param Posture|null $posture what the leg chain was asked; null where thresholds said it
     * @param LegPose|null $pose the leg as the rung asks for it
     * @param bool $isImpossible whether a body of these lengths cannot be there at all
     * @param float|null $propHeight of the prop's top, in cm; null where none was reckoned
     * @param list<Unasked> $unasked what the leg chain asks besides, of what nobody has read and the posture is not
     *     known by
     * @param bool $waitsForOtherSide whether it is too deep while everything of the other side is held
     * @param list<Ability> $isolated the abilities of its posture that some test isolates
     * @param Reason|null $seeFirst the rung that has to be seen clean before this is loaded, since a hold was lifted
     *     and no test reads what was held; null where none has to be
     */
    private function __construct(
        public RungDefinition $rung,
        public array $margins,
        public Work $work,
        public array $heldBy,
        public array $testFirst,
        public array $gates,
        public ?Seen $seen,
        public ?EvidenceCutOff $since,
        public ?EvidenceCutOff $seenFrom,
        public ?Posture $posture,
        public ?LegPose $pose,
        public bool $isImpossible,
        public ?float $propHeight,
        public bool $waitsForOtherSide,
        public array $unasked = [],
        public array $isolated = [],
        public ?Reason $seeFirst = null,
    ) {
        $this->ofMargins = $this->judged();
    }

    /**
     * Where a knee is free, the posture asks for the point that suits the person best. What was shown
     * may suffice there; when it does not, what is short has to be short even if everything that is
     * known as a lower bound goes further.
     *
     * @param list<Ability> $isolated the abilities that some test isolates
     * @param callable(string): ?State $stateOf of a posture on this side, by its id; null where there is none, or it is
     *     being read
     */
    public static function of(
        PostureDefinition $posture,
        RungDefinition $rung,
        Snapshot $person,
        Side $side,
        array $isolated,
        callable $stateOf,
    ): self {
        $since = $person->holds->cutOff($rung->work, $side);
        $reading = self::at($posture, $rung, $person, $side, $isolated, $stateOf, $since, false);
        // What this body's angles load, only the reading of the leg tells; it may come under a hold that was lifted,
        // where one was.
        $derived =
            null === $reading->pose || [] === $person->holds->cleared
                ? []
                : Load::ofLeg($reading->pose->angles->toArray());
        $sinceAll = $person->holds->cutOff($rung->work->loading($derived), $side);
        if ($sinceAll?->moment !== $since?->moment) {
            $reading = self::at($posture, $rung, $person, $side, $isolated, $stateOf, $sinceAll, false);
        }

        // Of what is known exactly nothing goes further.
        return $reading->posture instanceof FreeKnee
            && !$reading->stateOfMargins()->isInReach()
            && !self::isAtLimits($person, $side, $sinceAll)
            ? self::at($posture, $rung, $person, $side, $isolated, $stateOf, $sinceAll, true)
            : $reading;
    }

    private static function isAtLimits(Snapshot $person, Side $side, ?EvidenceCutOff $since): bool
    {
        return $person->capacities($side, $since)->isLegExact()
            && $person->capacities($side->opposite(), $since)->isLegExact();
    }

    /** @param list<Ability> $isolated */
    private static function at(
        PostureDefinition $posture,
        RungDefinition $rung,
        Snapshot $person,
        Side $side,
        array $isolated,
        callable $stateOf,
        ?EvidenceCutOff $since,
        bool $atLimits,
    ): self {
        $other = $side->opposite();
        $capacities = $person->capacities($side, $since);
        $ofOther = $person->capacities($other, $since);
        $margins = [];
        foreach ($rung->thresholds as $name => $least) {
            $ability = Ability::from($name);
            $margins[] = self::margin(
                $ability,
                $capacities->get($ability),
                $least,
                Uncertainty::none(),
                $person,
                $side,
            );
        }
        foreach ($rung->otherLeg as $name => $least) {
            $ability = Ability::from($name);
            $margins[] = self::margin(
                $ability,
                $ofOther->get($ability),
                $least,
                Uncertainty::none(),
                $person,
                $other,
            )->ofOtherLeg();
        }
        $leg = LegAsked::of($rung->demand, $rung->prop, $person, $side, $capacities, $atLimits);
        array_push(
            $margins,
            ...self::ofLeg($leg, $rung->demand, $posture, $capacities, $person, $side, $atLimits),
        );
        $otherLeg = LegAsked::of($rung->otherDemand, PropRule::None, $person, $other, $ofOther, $atLimits);
        foreach (
            self::ofLeg($otherLeg, $rung->otherDemand, $posture, $ofOther, $person, $other, $atLimits) as $margin
        ) {
            $margins[] = $margin->ofOtherLeg();
        }
        $read = array_values(
            array_filter($posture->abilities, static fn (Ability $a): bool => in_array($a, $isolated, true)),
        );
        $seenFrom = self::seenFrom($posture, $rung, $person, $side, $read, $since);
        $seen = $person->seen($posture->id, $rung->id, $side, $seenFrom);
        $testFirst =
            null === $since
                ? []
                : array_values(array_filter($read, static fn (Ability $a): bool => !$capacities->isIsolated($a)));

        $work = $rung->work->loading($leg->loads());

        return new self(
            $rung,
            $margins,
            $work,
            [] === $person->holds->active ? [] : $person->holds->on($work, $side),
            $testFirst,
            array_map(
                static fn ($gate): GateFinding => Gates::of($gate)->check($person, $side, $stateOf, $since),
                $rung->gates,
            ),
            $seen,
            $since,
            $seenFrom,
            $leg->posture,
            $leg->pose,
            $leg->isImpossible || $otherLeg->isImpossible,
            $leg->propHeight,
            May::waitsForOtherSide($person->holds, $work, $side),
            [
                ...Unasked::of($leg, $rung->demand, $posture, $capacities, $side),
                ...Unasked::of($otherLeg, $rung->otherDemand, $posture, $ofOther, $other),
            ],
            $read,
            null === $since || [] !== $read ? null : self::toSee($posture, $rung, $person, $side, $since),
        );
    }

    /**
     * From when on what was seen counts: since the tests that a word asks for; where no test reads what was held, the
     * lowest rung of it is seen first.
     *
     * @param list<Ability> $read those that are read anew first
     */
    private static function seenFrom(
        PostureDefinition $posture,
        RungDefinition $rung,
        Snapshot $person,
        Side $side,
        array $read,
        ?EvidenceCutOff $since,
    ): ?EvidenceCutOff {
        if (null === $since) {
            return null;
        }
        $lowest = self::lowest($posture, $rung, $person, $side);
        if ([] === $read) {
            return $lowest === $rung->id ? $since : $person->seenSince($posture->id, $lowest, $side, $since) ?? $since;
        }

        return $person->readSince($side, $read, $since) ?? $since;
    }

    /** The lowest rung that a word has lifted. */
    private static function lowest(
        PostureDefinition $posture,
        RungDefinition $rung,
        Snapshot $person,
        Side $side,
    ): string {
        foreach ($posture->rungs as $one) {
            if (null !== $person->holds->cutOff($one->work, $side)) {
                return $one->id;
            }
        }

        return $rung->id;
    }

    /** The lowest rung that a word has lifted, while nobody has seen it clean since. */
    private static function toSee(
        PostureDefinition $posture,
        RungDefinition $rung,
        Snapshot $person,
        Side $side,
        EvidenceCutOff $since,
    ): ?Reason {
        $lowest = self::lowest($posture, $rung, $person, $side);

        return null === $person->seenSince($posture->id, $lowest, $side, $since)
            ? new Reason('bar.see-first', Source::Trade, ['posture' => $posture->id, 'rung' => $lowest])
            : null;
    }

    /** Whether something has to be read or seen anew before this is loaded, since a hold was lifted. */
    public function isReadAnewFirst(): bool
    {
        return [] !== $this->testFirst || null !== $this->seeFirst;
    }

    /** Held, short, unknown, near, open: the worst of its margins, with what was seen. */
    public function state(): State
    {
        return [] === $this->heldBy ? $this->stateUnheld() : State::Held;
    }

    /** Whatever holds it: as seen, or else as the numbers have it. */
    public function stateUnheld(): State
    {
        $state = $this->isReadAnewFirst()
            ? $this->stateOfMargins()->worse(State::Unknown)
            : $this->stateOfMargins();
        if (null === $this->seen || $this->isReadAnewFirst()) {
            return $state;
        }

        return $this->seen->isClean ? State::Open : $state->worse(State::Near);
    }

    public function isSeenClean(): bool
    {
        return true === $this->seen?->isClean;
    }

    /** As the numbers have it. */
    public function stateOfMargins(): State
    {
        return $this->ofMargins;
    }

    private function judged(): State
    {
        // No measurement is missing: it is known not to be had, for whatever else the person can do.
        if ($this->isImpossible) {
            return State::Short;
        }
        $worst = State::Open;
        foreach ($this->margins as $margin) {
            $worst = $worst->worse($margin->state());
        }

        // What asks for nothing that can be read has not been shown by asking nothing.
        return [] === $this->margins ? State::Unknown : $worst;
    }

    /** The chance that every margin is positive, in percent from 1 to 99; null when one of them is not known. */
    public function chance(BodyError $body): ?int
    {
        $chance = $this->isSeenClean() ? 1.0 : Chance::allPositive($this->margins, $body);

        return null === $chance ? null : max(1, min(99, (int) round(100 * $chance)));
    }

    /**
     * Whether no day may be named for it: held, tests first since that was lifted, or too deep beside a side that
     * rests.
     */
    public function hasNoDay(): bool
    {
        return [] !== $this->heldBy || [] !== $this->waits();
    }

    /**
     * @return list<Reason> what keeps it closed whatever was passed and whatever the numbers say; where it is held,
     *     that alone
     */
    public function bars(): array
    {
        if ([] !== $this->heldBy) {
            return array_map(May::held(...), $this->heldBy);
        }

        return [
            ...$this->waits(),
            ...array_map(static fn (GateFinding $gate): Reason => $gate->reason, $this->shut()),
        ];
    }

    /**
     * @return list<Reason> what has to end before it is loaded again: too deep beside a side that rests, or tests first
     */
    public function waits(): array
    {
        return [
            ...$this->waitsForOtherSide ? [new Reason('bar.other-side-rests', Source::Own)] : [],
            ...array_map(
                static fn (Ability $ability): Reason => new Reason('bar.test-first', Source::Trade, [
                    'ability' => $ability->value,
                ]),
                $this->testFirst,
            ),
            ...null === $this->seeFirst ? [] : [$this->seeFirst],
        ];
    }

    /**
     * @return list<Reason> what keeps it from being tried under the teacher's eye; what no test reads is tried on the
     *     lowest rung that was lifted, for that is how one finds out
     */
    public function barsToTry(): array
    {
        return $this->rung->id === ($this->seeFirst->numbers['rung'] ?? null)
            ? array_values(array_filter($this->bars(), fn (Reason $bar): bool => $bar !== $this->seeFirst))
            : $this->bars();
    }

    /** @return list<GateFinding> the gates that are not met; none where the rung itself was seen clean */
    public function shut(): array
    {
        return array_values(array_filter($this->asked(), static fn (GateFinding $gate): bool => !$gate->isMet()));
    }

    /** As seen, or as the numbers and what comes first have it: never better than what it waits for. */
    public function stateBehindGates(): State
    {
        return array_reduce(
            $this->asked(),
            static fn (State $state, GateFinding $gate): State => $state->worse($gate->best),
            $this->state(),
        );
    }

    /** @return list<GateFinding> none where the rung itself was seen clean */
    private function asked(): array
    {
        return $this->isSeenClean() && !$this->isReadAnewFirst() ? [] : $this->gates;
    }

    /** What it asks of an ability of the working leg against what that shows; null where it asks nothing of it. */
    public function ofOwnLeg(Ability $ability): ?AbilityMargin
    {
        return array_values(
            array_filter(
                $this->margins,
                static fn (AbilityMargin $margin): bool => $margin->ability === $ability && !$margin->isOtherLeg,
            ),
        )[0] ?? null;
    }

    /**
     * What it asks of an ability of the working leg, where that can be held against what was read; null where it asks
     * nothing, or in another unit.
     */
    public function askedOf(Ability $ability): ?float
    {
        $margin = $this->ofOwnLeg($ability);

        return null === $margin || $margin->unit() !== $ability->unit() ? null : $margin->asked;
    }

    /**
     * The margin that decides the state: of those in the worst state the one furthest behind, in units of its own
     * noise.
     */
    public function limiter(): ?AbilityMargin
    {
        $sorted = $this->byWeight();

        return $sorted[0] ?? null;
    }

    /** @return list<AbilityMargin> the one that decides first */
    public function byWeight(): array
    {
        $sorted = $this->margins;
        if (count($sorted) < 2) {
            return $sorted;
        }
        usort($sorted, static function (AbilityMargin $a, AbilityMargin $b): int {
            $worse = $b->state()->compare($a->state());

            return 0 === $worse ? self::noises($a) <=> self::noises($b) : $worse;
        });

        return $sorted;
    }

    /** @return list<AbilityMargin> */
    private static function ofLeg(
        LegAsked $leg,
        ?RungDemand $demand,
        PostureDefinition $posture,
        Capacities $capacities,
        Snapshot $person,
        Side $side,
        bool $atLimits,
    ): array {
        $margins = [];
        foreach ($leg->angles as $name => $degrees) {
            $component = Component::from($name);
            $asked = $demand?->ability($component);
            if (null === $asked || null === $leg->sensitivity) {
                continue;
            }
            [$ability, $sign] = $asked;
            if (Unasked::counts($ability, $posture, $capacities)) {
                $known =
                    null === $leg->pose
                        ? $capacities->get($ability)
                        : $capacities->near($ability, $leg->pose->angles);
                $margins[$name] = self::margin(
                    $ability,
                    $known,
                    $sign * $degrees,
                    $leg->sensitivity->uncertainty($component)->times($sign),
                    $person,
                    $side,
                );
            }
        }

        return array_values(self::trading($margins, $leg->shares, $person->proportions->error($side), $atLimits));
    }

    /**
     * Two margins that tie where a knee is free are one: what a reading is off in one, the knee makes good in part with
     * the other, wherever it will lie then. Both err as their worst does.
     *
     * @param array<string, AbilityMargin> $margins by component
     * @param array<string, float> $shares
     *
     * @return array<string, AbilityMargin>
     */
    private static function trading(array $margins, array $shares, BodyError $body, bool $atLimits): array
    {
        if ([] === $shares) {
            return $margins;
        }
        $tied = array_intersect_key($margins, $shares);
        // What is taken to go as far as legs do has not been read, and errs in no way that is known.
        $isRead = static fn (AbilityMargin $margin): bool => null !== $margin->capacity
            && (!$atLimits || Bound::Exact === $margin->capacity->bound);
        if (2 !== count(array_filter($tied, $isRead))) {
            return $margins;
        }
        $worst = Uncertainty::none();
        foreach ($tied as $name => $margin) {
            $worst = $worst->plus($margin->uncertainty->times($shares[$name]));
        }

        return array_replace(
            $margins,
            array_map(static fn (AbilityMargin $margin): AbilityMargin => $margin->erring($worst, $body), $tied),
        );
    }

    /**
     * @param list<self> $rungs of a ladder, from the ground up
     *
     * @return array<string, Work> what each rung loads, by its id
     */
    public static function works(array $rungs): array
    {
        $works = [];
        foreach ($rungs as $rung) {
            $works[$rung->rung->id] = $rung->work;
        }

        return $works;
    }

    private static function noises(AbilityMargin $margin): float
    {
        return $margin->difference() / max(1e-6, $margin->error);
    }

    private static function margin(
        Ability $ability,
        ?MeasuredCapacity $capacity,
        float $asked,
        Uncertainty $demand,
        Snapshot $person,
        Side $side,
    ): AbilityMargin {
        return AbilityMargin::of(
            $ability,
            $capacity,
            $asked,
            $demand,
            $person->proportions->error($side),
            $person->proportions,
            $person->isTooOld($capacity?->on()),
        );
    }
}
