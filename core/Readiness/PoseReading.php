<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Shortfall;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Readiness\Gate\GateFinding;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;

/** One posture for one side: its state, what limits it, on which rung one can be, and why, in order of weight. */
final readonly class PoseReading
{
    /**
     * @param list<RungReading> $rungs as the ladder has them; the last is the full form
     * @param list<GateFinding> $gates
     */
    public function __construct(
        public PostureDefinition $posture,
        public Side $side,
        private KnownPerson $person,
        public array $rungs,
        public array $gates,
    ) {
    }

    public function full(): RungReading
    {
        return $this->rungs[count($this->rungs) - 1];
    }

    public function state(): State
    {
        $state = $this->full()->state();
        foreach ($this->gates as $gate) {
            $state = $state->worse($gate->best);
        }

        return $state;
    }

    public function limiter(): ?AbilityMargin
    {
        return $this->full()->limiter();
    }

    /** The highest rung that is open or near and that nothing holds; above the first, only as far as the gates let it. */
    public function rung(): ?RungReading
    {
        $highest = null;
        foreach ($this->rungs as $rung) {
            $isFull = $rung === $this->full();
            if ($rung->state()->isInReach() && (!$isFull || $this->state()->isInReach())) {
                $highest = $rung;
            }
        }

        return $highest;
    }

    /** The chance that every margin of the full form is positive; null when one of them is not known. */
    public function chance(): ?float
    {
        return Chance::allPositive($this->full()->margins, $this->person->proportions->error($this->side));
    }

    /** Degrees of turn that would have to come from the knee if the foot were drawn into place now. */
    public function shortfallAtKnee(): ?float
    {
        foreach ($this->full()->margins as $margin) {
            if ('rotation' === $margin->ability->value && null !== $margin->shown && Bound::Exact === $margin->capacity?->bound) {
                return max(0.0, -$margin->difference());
            }
        }

        return null;
    }

    /** @return list<Reason> the heaviest first */
    public function reasons(): array
    {
        $reasons = [];
        foreach ($this->full()->heldBy as $condition) {
            $reasons[] = new Reason('held.condition', Source::Trade, ['condition' => $condition->id, 'name' => $condition->name]);
        }
        foreach ($this->gates as $gate) {
            if (State::Open !== $gate->best) {
                $reasons[] = $gate->reason;
            }
        }
        if ($this->full()->isImpossible) {
            $reasons[] = new Reason('body.cannot', Source::Computed);
        }
        foreach ($this->full()->byWeight() as $margin) {
            array_push($reasons, ...$this->ofMargin($margin));
        }
        foreach ($this->gates as $gate) {
            if (State::Open === $gate->best) {
                $reasons[] = $gate->reason;
            }
        }

        return $reasons;
    }

    /** @return list<Reason> */
    private function ofMargin(AbilityMargin $margin): array
    {
        $numbers = ['ability' => $margin->ability->value, 'asked' => $margin->asked, 'unit' => $margin->unit()];
        if (null === $margin->capacity || null === $margin->shown) {
            return [new Reason('ability.unread', Source::Own, $numbers)];
        }
        $numbers += [
            'shown' => $margin->shown,
            'difference' => abs($margin->difference()),
            'smallest' => $margin->smallestChange(),
            'tests' => implode(', ', $margin->capacity->tests()),
        ];
        if ($margin->isTooOld) {
            $taken = $margin->capacity->on();

            return [new Reason('ability.too-old', Source::Own, $numbers + ['days' => null === $taken ? 0 : $this->person->age($taken)])];
        }
        if (State::Unknown === $margin->state()) {
            return [new Reason('ability.at-least', Source::Computed, $numbers)];
        }
        $reasons = [match ($margin->state()) {
            State::Open => new Reason('ability.open', Source::Computed, $numbers),
            State::Near => new Reason('ability.near', Source::Computed, $numbers),
            default => new Reason('ability.short', Source::Computed, $numbers + ['more' => abs($margin->difference())]),
        }];
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
        if (!$posture instanceof KneeAtHeight || null === Component::tryFrom($margin->ability->value)) {
            return null;
        }
        $lift = Shortfall::kneeLift($posture, $this->person->proportions->body($this->side), $this->person->capacities($this->side)->ofLeg());

        return null === $lift || $lift <= 0.0 ? null : $lift;
    }
}
