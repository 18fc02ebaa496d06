<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\KneelingBackbend;
use LucidAscent\Core\Testing\MeasuredCapacity;
use LucidAscent\Core\Testing\SmallestChange;

/** What a side can do of one ability, less what a rung asks of it; in the unit of what is asked. */
final readonly class AbilityMargin
{
    /** Nearer to each other than this, what is shown and what is asked are the same: rounding decides nothing. */
    private const EQUAL = 1e-6;

    private State $state;

    /**
     * @param float|null $shown what the side can do; null when nobody read it
     * @param float $asked what the rung asks
     * @param Uncertainty $uncertainty of the difference: what capacity and demand share of the body has cancelled
     * @param float $error one SD of the difference
     * @param float $errorOfAsked one SD of what is asked, which no better reading makes smaller
     */
    private function __construct(
        public Ability $ability,
        public ?MeasuredCapacity $capacity,
        public ?float $shown,
        public float $asked,
        public Uncertainty $uncertainty,
        public float $error,
        public bool $isTooOld,
        public bool $isOtherLeg = false,
        public float $errorOfAsked = 0.0,
    ) {
        $this->state = $this->judged();
    }

    public static function of(
        Ability $ability,
        ?MeasuredCapacity $capacity,
        float $asked,
        Uncertainty $demand,
        BodyError $body,
        Proportions $proportions,
        bool $isTooOld,
    ): self {
        if (null === $capacity) {
            return new self($ability, null, null, $asked, Uncertainty::none(), 0.0, false);
        }
        [$shown, $uncertainty] = match ($ability) {
            // A gap is so much less than touching hands.
            Ability::ShoulderReach => [-$capacity->value, $capacity->uncertainty->times(-1.0)],
            Ability::SpineExtension => KneelingBackbend::of($proportions)->read(
                $capacity->value,
                $capacity->uncertainty,
            ),
            default => [$capacity->value, $capacity->uncertainty],
        };
        if (Ability::SpineExtension === $ability && $asked <= 0.0) {
            // A back that need not bend does so whatever is read of it.
            $uncertainty = Uncertainty::none();
        }
        if ($uncertainty === $capacity->uncertainty && $demand->isNone()) {
            // Against a fixed figure it errs as what is known does.
            return new self($ability, $capacity, $shown, $asked, $uncertainty, $capacity->error, $isTooOld);
        }
        $difference = $uncertainty->minus($demand);

        return new self(
            $ability,
            $capacity,
            $shown,
            $asked,
            $difference,
            $difference->error($body),
            $isTooOld,
            errorOfAsked: $demand->error($body),
        );
    }

    /** Degrees, cm or seconds: a block under the hands has become a bend of the spine. */
    public function unit(): string
    {
        return Ability::SpineExtension === $this->ability ? 'degrees' : $this->ability->unit();
    }

    /** What is there less what is asked, in the ability's unit: less than nought where something is missing. */
    public function difference(): float
    {
        $difference = null === $this->shown ? -INF : $this->shown - $this->asked;

        return abs($difference) < self::EQUAL ? 0.0 : $difference;
    }

    /** The noise of a margin: it is a difference already. */
    public function smallestChange(): float
    {
        return SmallestChange::between($this->error);
    }

    /** The same, erring otherwise: a free knee trades it against another. */
    public function erring(Uncertainty $uncertainty, BodyError $body): self
    {
        return new self(
            $this->ability,
            $this->capacity,
            $this->shown,
            $this->asked,
            $uncertainty,
            $uncertainty->error($body),
            $this->isTooOld,
            $this->isOtherLeg,
            $this->errorOfAsked,
        );
    }

    /** The same, with so much more shown, and with its errors times a factor. */
    public function shifted(float $more, float $factor): self
    {
        return new self(
            $this->ability,
            $this->capacity,
            (float) $this->shown + $more,
            $this->asked,
            $this->uncertainty->times($factor),
            $this->error * $factor,
            $this->isTooOld,
            $this->isOtherLeg,
            $this->errorOfAsked,
        );
    }

    /** What the other leg has to do: the planted one, or the one behind. */
    public function ofOtherLeg(): self
    {
        return new self(
            $this->ability,
            $this->capacity,
            $this->shown,
            $this->asked,
            $this->uncertainty,
            $this->error,
            $this->isTooOld,
            true,
            $this->errorOfAsked,
        );
    }

    /** The side of the leg that it is about, in a pose of this side. */
    public function leg(Side $side): Side
    {
        return $this->isOtherLeg ? $side->opposite() : $side;
    }

    /** Whether its chance can be stated: known exactly, or at least enough. */
    public function isSettled(): bool
    {
        return State::Unknown !== $this->state() && is_finite($this->error);
    }

    public function state(): State
    {
        return $this->state;
    }

    /** A lower bound can open a rung; it can never call it short. */
    private function judged(): State
    {
        if (
            null === $this->capacity
            || $this->isTooOld
            || (Bound::AtLeast === $this->capacity->bound && $this->difference() < 0.0)
        ) {
            return State::Unknown;
        }
        if ($this->difference() >= $this->smallestChange()) {
            return State::Open;
        }

        return $this->difference() > -$this->smallestChange() ? State::Near : State::Short;
    }
}
