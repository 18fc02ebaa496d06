<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Testing\Capacities;
use LucidAscent\Core\Testing\TakenTest;

/** Everything about a person that readiness rests on, on one day. */
final readonly class KnownPerson
{
    /**
     * @param array{left: Capacities, right: Capacities} $capacities
     * @param array{left: list<Condition>, right: list<Condition>} $conditions those of the person, and stop signs of the side
     * @param list<TakenTest> $taken the newest first
     */
    public function __construct(
        public Proportions $proportions,
        public array $capacities,
        public array $conditions,
        public array $taken,
        public \DateTimeImmutable $on,
    ) {
    }

    public function capacities(Side $side): Capacities
    {
        return $this->capacities[$side->value];
    }

    /** @return list<Condition> */
    public function conditions(Side $side): array
    {
        return $this->conditions[$side->value];
    }

    /** The newest reading of a test on a side that is not too old. */
    public function newest(string $test, Side $side): ?TakenTest
    {
        foreach ($this->taken as $taken) {
            if ($taken->test === $test && $taken->side === $side && !$this->isTooOld($taken->on)) {
                return $taken;
            }
        }

        return null;
    }

    public function isTooOld(?\DateTimeImmutable $taken): bool
    {
        return null !== $taken && $this->age($taken) > HalfLotusReading::DAYS_VALID;
    }

    /** Whole days since then. */
    public function age(\DateTimeImmutable $taken): int
    {
        return (int) $taken->setTime(0, 0)->diff($this->on->setTime(0, 0))->format('%r%a');
    }

    /** The same person with other capacities: what if. */
    public function with(Side $side, Capacities $capacities): self
    {
        return new self($this->proportions, [$side->value => $capacities] + $this->capacities, $this->conditions, $this->taken, $this->on);
    }
}
