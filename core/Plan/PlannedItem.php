<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\PropHeights;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;

/** One thing to do in a session. */
final readonly class PlannedItem
{
    /**
     * @param Side|null $side null for both at once
     * @param int $seconds coming in and going out are part of it
     * @param PracticeDrill|null $drill what is repeated in that position; null where it is held
     * @param bool $isSet whether it is part of a sequence that the teacher has set, which keeps its own order
     * @param bool $isLocked whether the teacher wants it to stay as it is when the plan is made anew
     * @param float|null $propHeight of the top of its prop for this body, in cm; null where none is reckoned
     */
    public function __construct(
        public PracticeRung $rung,
        public Phase $phase,
        public ?Side $side,
        public int $seconds,
        public Reason $because,
        public ?PracticeDrill $drill = null,
        public bool $isSet = false,
        public bool $isLocked = false,
        public ?float $propHeight = null,
    ) {
    }

    /** With the height of its prop for this body. */
    public function measured(ReadPoses $poses): self
    {
        return $this->onProp($this->height($poses));
    }

    /**
     * The height of its prop for this body, in cm: of the side that it is for; where it is for both, of the one that
     * needs more. Null where none is worked out.
     */
    public function height(ReadPoses $poses): ?float
    {
        $heights = [];
        foreach (isset($poses->postures[$this->rung->posture]) ? $this->sides() : [] as $side) {
            $rung = $poses->of($this->rung->posture, $side)->rung($this->rung->rung->id);
            $heights[] = null === $rung ? null : PropHeights::of($rung, $poses->person, $side);
        }

        return [] === $heights ? null : max($heights);
    }

    /** @param float|null $height of its prop, in cm */
    public function onProp(?float $height): self
    {
        return $this->with(propHeight: $height);
    }

    /** @return list<Side> */
    public function sides(): array
    {
        return null === $this->side ? Side::cases() : [$this->side];
    }

    public function isWork(): bool
    {
        return Phase::Work === $this->phase;
    }

    public function locked(bool $isLocked): self
    {
        return $this->with(isLocked: $isLocked);
    }

    /** Another rung in its place, from the beginning: a hold that was long on one is none of the other's. */
    public function on(PracticeRung $rung, Dose $dose): self
    {
        return (new self(
            $rung,
            $this->phase,
            $this->side,
            $this->seconds,
            $this->because,
            null,
            $this->isSet,
            $this->isLocked,
        ))->begun($dose);
    }

    private function with(?int $seconds = null, ?bool $isLocked = null, ?float $propHeight = null): self
    {
        return new self(
            $this->rung,
            $this->phase,
            $this->side,
            $seconds ?? $this->seconds,
            $this->because,
            $this->drill,
            $this->isSet,
            $isLocked ?? $this->isLocked,
            $propHeight ?? $this->propHeight,
        );
    }

    /** Work on one posture stands together, and so does a drill. */
    public function key(): string
    {
        return null === $this->drill ? $this->rung->posture : PracticeDrill::KEY.$this->drill->id;
    }

    /** Whether it may be done now; a drill as the position that it uses. */
    public function may(ReadPoses $poses): May
    {
        return May::practise($poses, $this->rung->posture, $this->rung->rung->id, $this->side);
    }

    /** Held no longer than at the beginning. */
    public function begun(Dose $dose): self
    {
        return $this->lasting(min($this->seconds, $this->least($dose)));
    }

    /** Held for about such a share of the time, and no less than it is held at least. */
    public function lighter(Dose $dose, float $share): self
    {
        $least =
            null === $this->drill
                ? PlannedSession::CHANGE + (int) ceil($dose->range($this->rung)->least)
                : $this->least($dose);

        return $this->lasting(min($this->seconds, max($least, FillTime::grain($share * $this->seconds))));
    }

    /** @return int seconds with which it begins */
    public function least(Dose $dose): int
    {
        return PlannedSession::CHANGE +
            (null === $this->drill
                ? $dose->range($this->rung)->hold($dose->seconds($this->rung))
                : FillTime::grain($this->drill->range->least));
    }

    /** @return float seconds that it may last at most */
    public function most(Dose $dose): float
    {
        return PlannedSession::CHANGE + ($this->drill->range->most ?? $dose->most($this->rung));
    }

    /** How often it is done in that time; null where it is held. */
    public function repetitions(?Dose $dose): ?int
    {
        return match (true) {
            Phase::Work !== $this->phase => null,
            null !== $this->drill => $this->drill->repetitions($this->seconds - PlannedSession::CHANGE),
            default => $this->counted('repetitions', $dose),
        };
    }

    /** How many breaths it lasts; null where they are not counted. */
    public function breaths(?Dose $dose): ?int
    {
        return Phase::Work === $this->phase && null === $this->drill ? $this->counted('breaths', $dose) : null;
    }

    /** Whether each of its repetitions is a press and a yield, rather than a movement. */
    public function isPressed(?Dose $dose): bool
    {
        return null === $this->drill
            && 'repetitions' === $dose?->range($this->rung)->unit
            && $dose->range($this->rung)->each >= HoldRange::PRESS_AND_YIELD;
    }

    private function counted(string $unit, ?Dose $dose): ?int
    {
        return $dose?->range($this->rung)->count($unit, $this->seconds - PlannedSession::CHANGE);
    }

    public function lasting(int $seconds): self
    {
        return $this->with(seconds: $seconds);
    }
}
