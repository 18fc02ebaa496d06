<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;

/** A posture with its ladder and its place among the others, as far as readiness needs it. */
final readonly class PostureDefinition
{
    /**
     * @param list<Ability> $abilities what it asks for
     * @param non-empty-list<RungDefinition> $rungs the most supported first; the last is the full form
     * @param list<string> $needs ids of the postures that come before it
     * @param list<string> $sameAction ids of postures with the same action
     * @param array<string, list<RungDefinition>> $forms other forms of a rung, by its id: they are alternated with it,
     *     and no step of the ladder waits for them
     * @param list<string> $preparedBy ids of the postures that help on the way to it, and that it does not wait for
     * @param array<string, list<array{string, string}>> $same posture and rung of other ladders that are one shape with
     *     a rung, or above one that is, by its id
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $abilities,
        public array $rungs,
        public array $needs,
        public array $sameAction = [],
        public array $forms = [],
        public array $preparedBy = [],
        public array $same = [],
    ) {
    }

    /**
     * Its place among the others.
     *
     * @param list<string> $preparedBy
     * @param array<string, list<array{string, string}>> $same
     */
    public function among(array $preparedBy, array $same): self
    {
        return new self(
            $this->id,
            $this->name,
            $this->abilities,
            $this->rungs,
            $this->needs,
            $this->sameAction,
            $this->forms,
            $preparedBy,
            $same,
        );
    }

    /** @return array<string, RungDefinition> the rungs and the forms beside them, by id */
    public function shapes(): array
    {
        return array_column([...$this->rungs, ...array_merge(...array_values($this->forms))], null, 'id');
    }

    /** @return array<string, Work> what each rung loads, by its id, from the ground up */
    public function works(): array
    {
        $works = [];
        foreach ($this->rungs as $rung) {
            $works[$rung->id] = $rung->work;
        }

        return $works;
    }

    /** A rung of the ladder by its id; null when there is none of that name. */
    public function rung(string $id): ?RungDefinition
    {
        foreach ($this->rungs as $rung) {
            if ($rung->id === $id) {
                return $rung;
            }
        }

        return null;
    }

    /** The rung that a shape is, or beside which it stands, by its id; the same where there is none of that name. */
    public function besides(string $shape): string
    {
        foreach ($this->forms as $rung => $forms) {
            if (in_array($shape, array_column($forms, 'id'), true)) {
                return $rung;
            }
        }

        return $shape;
    }

    public function full(): RungDefinition
    {
        return $this->rungs[count($this->rungs) - 1];
    }
}
