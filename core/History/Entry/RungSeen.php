<?php

declare(strict_types=1);

namespace LucidAscent\Core\History\Entry;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\Written;
use LucidAscent\Core\Caution\Pain;

/** A rung as somebody was seen trying it. */
final readonly class RungSeen implements Entry
{
    use Written;

    /**
     * @param bool $isClean held, on an even breath, with nothing that compensates; what hurt is said beside it
     * @param array<string, float> $heights of joints, in cm, by the names of the leg chain
     * @param bool $hangsFree whether the limb hung on nothing but the prop that was read
     * @param \DateTimeImmutable|null $known the moment at which it was seen; null where only the day is known
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public string $by,
        public string $posture,
        public string $rung,
        public Side $side,
        public bool $isClean,
        public Pain $pain,
        public array $heights,
        public bool $hangsFree,
        public ?\DateTimeImmutable $known,
    ) {
    }

    /** The same with a pain that was said of it elsewhere: of the two the one that spoils it counts. */
    public function withPain(Pain $pain): self
    {
        return !$pain->spoils() || $this->pain->spoils()
            ? $this
            : new self(
                $this->id,
                $this->at,
                $this->on,
                $this->by,
                $this->posture,
                $this->rung,
                $this->side,
                $this->isClean,
                $pain,
                $this->heights,
                $this->hangsFree,
                $this->known,
            );
    }
}
