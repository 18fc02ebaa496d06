<?php

declare(strict_types=1);

namespace LucidAscent\Core\History\Entry;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\Written;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Practice\ReadinessCheck;

/** A readiness check of one side on a rung. */
final readonly class CheckMade implements Entry
{
    use Written;

    /**
     * @param float|null $propHeight top of the prop that was practised on, in cm; null where nobody read it
     * @param array<string, float> $heights of joints, in cm, by the names of the leg chain
     * @param Side|null $hurts the side of what hurt, as it was said; null when none was said
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public string $by,
        public string $posture,
        public Side $side,
        public ReadinessCheck $check,
        public ?float $propHeight,
        public array $heights,
        public ?Side $hurts,
    ) {
    }

    /** The same with a pain that was said of it elsewhere. */
    public function withPain(Pain $pain): self
    {
        $check = $this->check->withPain($pain);

        return $check === $this->check
            ? $this
            : new self(
                $this->id,
                $this->at,
                $this->on,
                $this->by,
                $this->posture,
                $this->side,
                $check,
                $this->propHeight,
                $this->heights,
                $this->hurts,
            );
    }
}
