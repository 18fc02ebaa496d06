<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Reason\Reason;

/** A posture that should be worked on, with the rung of each side, and why. */
final readonly class Candidate
{
    /**
     * @param array{left: PracticeRung|null, right: PracticeRung|null} $rungs null for a side on which nothing of it may be done
     * @param Side|null $tighter the side that is worked on first and last; null where neither is
     * @param list<string> $components what it works on
     * @param Side|null $counterSide the side that the counterpose is done on; null for both
     */
    public function __construct(
        public string $posture,
        public array $rungs,
        public ?Side $tighter,
        public array $components,
        public Reason $because,
        public float $weight,
        public PracticeRung $counter,
        public ?Side $counterSide = null,
        public bool $isWanted = false,
    ) {
    }

    /** The rank of the stance that comes later in a session, of both sides. */
    public function rank(): int
    {
        return max([0, ...array_values(array_map(static fn (PracticeRung $rung): int => $rung->stance->rank(), array_filter($this->rungs)))]);
    }

    public function keepsShort(Holds $holds): bool
    {
        return (null !== $this->rungs['left'] && $holds->keepsShort($this->rungs['left']->rung->work, Side::Left))
            || (null !== $this->rungs['right'] && $holds->keepsShort($this->rungs['right']->rung->work, Side::Right));
    }

    public function isDeep(): bool
    {
        return [] !== array_filter($this->rungs, static fn (?PracticeRung $rung): bool => null !== $rung && !$rung->rung->isGentle());
    }
}
