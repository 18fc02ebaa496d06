<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Entry;

use LucidAscent\Core\Body\Side;

/** A teacher's decision to stop. */
final readonly class StopDecided implements Entry
{
    use Written;

    /**
     * @param Side|null $side null for both
     * @param bool $isPainless whether nothing hurt: a stop because of pain is the pain's own
     * @param string $by who decided
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public ?Side $side,
        public bool $isPainless,
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
            $this->side,
            $this->isPainless,
            $this->posture,
            $this->rung,
            $this->by,
        );
    }
}
