<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\LegAngles;

/** A test of the catalogue, as far as the rules need it. */
final readonly class TestDefinition
{
    /**
     * @param int $order its place in the taught order: lying before sitting, single before combined
     * @param array<string, Bound> $proves what a clean reading proves, by ability
     * @param array<string, string> $measured the unit of each value that is read, by name
     * @param list<string> $compensations their ids
     * @param Work $work what taking it loads
     * @param string $posture the posture whose rungs its position is; empty where it is nobody's
     * @param bool $goesBeyond whether it can be set up to go beyond where it came to rest
     * @param LegAngles|null $position where the leg is when only one angle of it is read; null when that is not known
     * @param list<string> $beside values that may be read besides, and say by their change over months what they say
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
        public Work $work = new Work([], true),
        public int $leastTrials = 2,
        public string $posture = '',
        public bool $goesBeyond = false,
        public ?LegAngles $position = null,
        public array $beside = [],
    ) {
    }

    /** Whether its numbers can be turned into something that a posture asks for. */
    public function isMeasured(): bool
    {
        return [] !== $this->proves && !$this->formula->is(Formula::OBSERVATION);
    }

    /**
     * The values that a trial is nothing without.
     *
     * @return list<string>
     */
    public function required(): array
    {
        return array_slice($this->needs(), 0, $this->formula->mayLack() ? 1 : null);
    }

    /**
     * The values without which it proves nothing.
     *
     * @return list<string>
     */
    public function needs(): array
    {
        return $this->formula->needs(array_values(array_diff(array_keys($this->measured), $this->beside)));
    }

    /**
     * The heights, gaps and angles that prove no ability by themselves, and whose change over months says something all
     * the same.
     *
     * @return list<string>
     */
    public function followed(): array
    {
        $isFollowed = static fn (string $unit): bool => in_array($unit, ['cm', 'degrees'], true);
        $names = array_keys(array_filter($this->measured, $isFollowed));

        return match (true) {
            $this->formula->mayLack() => array_values(array_intersect($this->required(), $names)),
            $this->formula->is(Formula::OBSERVATION) => $names,
            default => $this->beside,
        };
    }

    /** Whether it is watched, and answered with yes or no: what some gate asks for. */
    public function isWatched(): bool
    {
        return $this->formula->is(Formula::OBSERVATION) && 'yes or no' === (array_values($this->measured)[0] ?? '');
    }

    /** What it was answered with; null where it is not watched, or was not answered. What was not clean is no yes. */
    public function answer(TakenTest $taken): ?bool
    {
        $name = (string) array_key_first($this->measured);

        return $this->isWatched() && $taken->has($name)
            ? $taken->isClean() && min($taken->measure($name)->trials) > 0.0
            : null;
    }

    public function shows(Ability $ability): ?Bound
    {
        return $this->proves[$ability->value] ?? null;
    }

    /**
     * @return array{bool, float} of two tests of one ability the lesser tells more: sides taken apart before sides
     *     taken together, then the smaller error
     */
    public function rank(): array
    {
        return [!$this->bothSides, $this->formula->usualError()];
    }
}
