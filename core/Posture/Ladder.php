<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

/** The rungs that lead to a posture, the most supported first. */
final readonly class Ladder
{
    /**
     * @param non-empty-list<Rung> $rungs
     * @param list<Prerequisite> $prerequisites
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $rungs,
        public array $prerequisites = [],
    ) {
    }

    public function rung(string $id): Rung
    {
        return $this->rungs[$this->position($id)];
    }

    /** @throws \OutOfBoundsException when the ladder has no such rung */
    public function position(string $id): int
    {
        foreach ($this->rungs as $position => $rung) {
            if ($rung->id === $id) {
                return $position;
            }
        }
        throw new \OutOfBoundsException(sprintf('The ladder %s has no rung %s.', $this->id, $id));
    }

    public function has(string $id): bool
    {
        foreach ($this->rungs as $rung) {
            if ($rung->id === $id) {
                return true;
            }
        }

        return false;
    }

    public function first(): Rung
    {
        return $this->rungs[0];
    }

    public function after(Rung $rung): ?Rung
    {
        return $this->rungs[$this->position($rung->id) + 1] ?? null;
    }

    public function before(Rung $rung): ?Rung
    {
        return $this->rungs[$this->position($rung->id) - 1] ?? null;
    }
}
