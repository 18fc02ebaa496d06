<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

use LucidAscent\Core\Caution\Work;

/** A rung of any posture, as far as readiness needs it. */
final readonly class RungDefinition
{
    /**
     * @param RungDemand|null $demand what the leg chain computes for a body; null where thresholds say it
     * @param array<string, float> $thresholds the least of each ability, in degrees, cm or seconds
     * @param Work $work what it loads, derived and written, and how gentle it is
     * @param list<GateDefinition> $gates
     * @param array<string, float> $otherLeg the least of each ability of the other leg, likewise
     * @param RungDemand|null $otherDemand what the leg chain computes for the other leg; null where it is not asked
     *     that way
     * @param bool $isMeasuredThrough whether measuring enough is as good as having done it
     * @param list<string> $felt places in which it should be felt
     * @param Reach|null $reach what hands or elbows are to get to; null where that is no matter
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?RungDemand $demand,
        public array $thresholds,
        public Work $work,
        public PropRule $prop = PropRule::None,
        public array $gates = [],
        public array $otherLeg = [],
        public ?RungDemand $otherDemand = null,
        public bool $isMeasuredThrough = false,
        public array $felt = [],
        public ?Reach $reach = null,
    ) {
    }

    /** @param list<GateDefinition> $more gates that it stands behind as well */
    public function behind(array $more): self
    {
        $key = static fn (GateDefinition $gate): string => "{$gate->kind->value} $gate->asks";
        $known = array_map($key, $this->gates);
        $new = array_filter($more, static fn (GateDefinition $gate): bool => !in_array($key($gate), $known, true));

        return [] === $new
            ? $this
            : new self(
                $this->id,
                $this->name,
                $this->demand,
                $this->thresholds,
                $this->work,
                $this->prop,
                [...$this->gates, ...array_values($new)],
                $this->otherLeg,
                $this->otherDemand,
                $this->isMeasuredThrough,
                $this->felt,
                $this->reach,
            );
    }

    /** Whether anybody may try it to whom nothing is the matter: how a ladder begins, and how one warms up. */
    public function isForAnybody(): bool
    {
        return $this->work->isLight;
    }
}
