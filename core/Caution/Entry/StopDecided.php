<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Entry;

use LucidAscent\Core\Body\Side;

/** A teacher's decision to stop. */
final readonly class StopDecided implements Entry
{
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

    public function id(): string
    {
        return $this->id;
    }

    public function at(): \DateTimeImmutable
    {
        return $this->at;
    }

    public function on(): \DateTimeImmutable
    {
        return $this->on;
    }

    public function by(): string
    {
        return $this->by;
    }
}
