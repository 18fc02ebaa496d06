<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Entry;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\Work;

/** Pain, wherever it was said: before the tests, in a test, a check, a session, or at its end. */
final readonly class PainTold implements Entry
{
    use Written;

    /**
     * @param Side|null $side null when no side was said
     * @param Work|null $during what was being done; null when nobody knows
     * @param string $posture the catalogue's id, where it was a rung of a ladder; else empty
     * @param string $rung likewise
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public Pain $pain,
        public ?Side $side,
        public ?Work $during = null,
        public string $posture = '',
        public string $rung = '',
        public string $by = '',
    ) {
    }

    /** The same, entered at another moment. */
    public function enteredAt(\DateTimeImmutable $at): self
    {
        return new self(
            $this->id,
            $at,
            $this->on,
            $this->pain,
            $this->side,
            $this->during,
            $this->posture,
            $this->rung,
            $this->by,
        );
    }
}
