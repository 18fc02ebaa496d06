<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Shortfall;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Readiness\Gate\GateFinding;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;

/**
 * One posture for one side: its state, what limits it, on which rung one can be, and why, in order of weight. Most
 * questions are about its full form alone; the rungs below it are read when somebody asks for them.
 */
final class PoseReading
{
    /** @var non-empty-list<RungReading>|null */
    private ?array $rungs = null;
    private ?LadderPosition $stand = null;

    /**
     * @param \Closure(): non-empty-list<RungReading> $ladder as the ladder has them; the last is the full form
     * @param \Closure(non-empty-list<RungReading>): LadderPosition $where on which of them the side stands
     */
    public function __construct(
        public readonly PostureDefinition $posture,
        public readonly Side $side,
        private readonly Snapshot $person,
        private readonly RungReading $full,
        private readonly \Closure $ladder,
        private readonly \Closure $where,
    ) {
    }

    public function full(): RungReading
    {
        return $this->full;
    }

    /** @return non-empty-list<RungReading> from the ground up; the last is the full form */
    public function rungs(): array
    {
        return $this->rungs ??= ($this->ladder)();
    }

    public function onLadder(): LadderPosition
    {
        return $this->stand ??= ($this->where)($this->rungs());
    }

    public function state(): State
    {
        return $this->full()->stateBehindGates();
    }

    /** @return list<GateFinding> what comes first; none unless that is what the state says */
    public function first(): array
    {
        return State::First === $this->state()
            ? array_values(
                array_filter($this->full()->shut(), static fn (GateFinding $gate): bool => $gate->isKnownShut()),
            )
            : [];
    }

    public function limiter(): ?AbilityMargin
    {
        return $this->full()->limiter();
    }

    /**
     * What keeps this side back as far as anybody knows: the worst that is known short of it, else what is too close to
     * tell, else what has least to spare; where nothing was read at all, what the posture asks for before all else.
     *
     * @return array{Ability, Side} with the leg that it is of
     */
    public function toWorkOn(): array
    {
        $known = array_filter(
            $this->full()->byWeight(),
            static fn (AbilityMargin $margin): bool => null !== $margin->shown,
        );
        foreach ([State::Short, State::Near, State::Unknown, State::Open] as $state) {
            foreach ($known as $margin) {
                if ($state === $margin->state()) {
                    return [$margin->ability, $margin->leg($this->side)];
                }
            }
        }

        return [$this->posture->abilities[0], $this->side];
    }

    /** A rung by its id; null when the ladder has none of that name. */
    public function rung(string $id): ?RungReading
    {
        foreach ($this->rungs() as $rung) {
            if ($rung->rung->id === $id) {
                return $rung;
            }
        }

        return null;
    }

    /** The day on which the full form was last seen clean. */
    public function seenOn(): ?\DateTimeImmutable
    {
        return $this->full()->isSeenClean() ? $this->full()->seen?->on : null;
    }

    /** The chance of the full form, in percent from 1 to 99; null when it is held or not known. */
    public function chance(): ?int
    {
        return in_array($this->state(), [State::Held, State::Unknown], true)
            ? null
            : $this->full()->chance($this->person->proportions->error($this->side));
    }

    /** Degrees of turn that would have to come from the knee if the foot were drawn into place now. */
    public function shortfallAtKnee(): ?float
    {
        foreach ($this->full()->margins as $margin) {
            if (
                !$margin->isOtherLeg
                && 'rotation' === $margin->ability->value
                && null !== $margin->shown
                && Bound::Exact === $margin->capacity?->bound
            ) {
                return max(0.0, -$margin->difference());
            }
        }

        return null;
    }

    /** @return list<Reason> the heaviest first */
    public function reasons(): array
    {
        $full = $this->full();
        $reasons = [...array_map(May::held(...), $full->heldBy), ...$full->waits()];
        if (null !== $full->seen) {
            $reasons[] = new Reason($full->seen->isClean ? 'seen.clean' : 'seen.not-clean', Source::Trade, [
                'on' => Day::of($full->seen->on),
            ]);
            if ($full->seen->isClean && State::Short === $full->stateOfMargins()) {
                $limiter = $full->limiter();
                $reasons[] = new Reason('seen.against', Source::Own, [
                    'ability' => $limiter->ability->value ?? '',
                    'tests' => $limiter?->capacity?->tests() ?? [],
                ]);
            }
        }
        foreach ($full->shut() as $gate) {
            $reasons[] = $gate->reason;
        }
        if ($full->isImpossible) {
            $reasons[] = new Reason('body.cannot', Source::Computed);
        }
        foreach ($full->byWeight() as $margin) {
            array_push($reasons, ...$this->ofMargin($margin));
        }
        foreach ($full->gates as $gate) {
            if ($gate->isMet()) {
                $reasons[] = $gate->reason;
            }
        }

        return $reasons;
    }

    /** @return list<Reason> */
    private function ofMargin(AbilityMargin $margin): array
    {
        $numbers = [
            'ability' => $margin->ability->value,
            'leg' => $margin->isOtherLeg ? 'second' : 'first',
            'asked' => $margin->asked,
            'unit' => $margin->unit(),
        ];
        if (null === $margin->capacity || null === $margin->shown) {
            return [new Reason('ability.unread', Source::Own, $numbers)];
        }
        $numbers += [
            'shown' => $margin->shown,
            'difference' => abs($margin->difference()),
            'smallest' => $margin->smallestChange(),
            'tests' => $margin->capacity->tests(),
        ];
        if ($margin->isTooOld) {
            $taken = $margin->capacity->on();

            return [
                new Reason(
                    'ability.too-old',
                    Source::Own,
                    $numbers + ['days' => null === $taken ? 0 : $this->person->age($taken)],
                ),
            ];
        }
        if (State::Unknown === $margin->state()) {
            return [new Reason('ability.at-least', Source::Computed, $numbers)];
        }
        $reasons = [
            match ($margin->state()) {
                State::Open => new Reason('ability.open', Source::Computed, $numbers),
                State::Near => new Reason('ability.near', Source::Computed, $numbers),
                default => new Reason(
                    'ability.short',
                    Source::Computed,
                    $numbers + ['more' => abs($margin->difference())],
                ),
            },
        ];
        $block = State::Short === $margin->state() ? $this->block($margin) : null;
        if (null !== $block) {
            $reasons[] = new Reason('change.block', Source::Computed, ['height' => $block]);
        }

        return $reasons;
    }

    /** How much higher the knee has to lie for the numbers to fit, in cm; null where no height does it. */
    private function block(AbilityMargin $margin): ?float
    {
        $posture = $this->full()->posture;
        if (
            $margin->isOtherLeg
            || !($posture instanceof KneeAtHeight)
            || null === Component::tryFrom($margin->ability->value)
        ) {
            return null;
        }
        $lift = Shortfall::kneeLift(
            $posture,
            $this->person->proportions->body($this->side),
            $this->person->capacities($this->side)->ofLeg(),
        );

        return null === $lift || $lift <= 0.0 ? null : $lift;
    }
}
