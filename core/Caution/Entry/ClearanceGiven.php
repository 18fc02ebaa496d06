<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Entry;

use LucidAscent\Core\Caution\Allowance;
use LucidAscent\Core\Caution\ClearanceAuthority;

/** A word in writing that ends what it names. */
final readonly class ClearanceGiven implements Entry
{
    use Written;

    /**
     * @param list<string> $names the entries that it lifts
     * @param bool $isAsked whether it was asked: no pain since, stairs and squatting down free
     * @param string $teacher who wrote it down
     * @param Allowance $allows how far it goes
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public array $names,
        public ClearanceAuthority $word,
        public bool $isAsked = false,
        public string $teacher = '',
        public Allowance $allows = new Allowance(),
    ) {
    }

    public function allowing(Allowance $allows): self
    {
        return new self(
            $this->id,
            $this->at,
            $this->on,
            $this->names,
            $this->word,
            $this->isAsked,
            $this->teacher,
            $allows,
        );
    }

    public function by(): string
    {
        return $this->teacher;
    }
}
