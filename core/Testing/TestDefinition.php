<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

/** A test of the catalogue, as far as the rules need it. */
final readonly class TestDefinition
{
    /**
     * @param int $order its place in the taught order: lying before sitting, single before combined
     * @param array<string, Bound> $proves what a clean reading proves, by ability
     * @param array<string, string> $measured the unit of each value that is read, by name
     * @param list<string> $compensations their ids
     * @param list<string> $loads what taking it loads
     */
    public function __construct(
        public string $id,
        public string $name,
        public int $order,
        public Formula $formula,
        public array $proves,
        public array $measured,
        public array $compensations,
        public float $minutes,
        public bool $bothSides = true,
        public array $loads = [],
        public int $leastTrials = 2,
    ) {
    }

    /** Whether its numbers can be turned into something that a posture asks for. */
    public function isMeasured(): bool
    {
        return [] !== $this->proves && Formula::Observation !== $this->formula;
    }

    public function shows(Ability $ability): ?Bound
    {
        return $this->proves[$ability->value] ?? null;
    }
}
