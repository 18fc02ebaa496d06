<?php

declare(strict_types=1);

namespace LucidAscent\Core\History\Entry;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Entry\Written;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Posture\FeltPlace;
use LucidAscent\Core\Practice\Felt;

/** Where a shape was felt, as it was said. */
final readonly class FeltSaid implements Entry
{
    use Written;

    /**
     * @param string $rung a rung of the posture, or a form beside one
     * @param Side|null $side null where nobody said which: then it is of both, and what hurts of nobody's
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public string $by,
        public string $posture,
        public string $rung,
        public ?Side $side,
        public FeltPlace $place,
        public PainKind $kind,
    ) {
    }

    public function pain(): Pain
    {
        return Felt::pain($this->place, $this->kind);
    }

    /** Whether a pain that was told is the one that it says. */
    public function isToldBy(PainTold $told): bool
    {
        $pain = $this->pain();

        return in_array($told->side, [null, $this->side], true)
            && $told->pain->place === $pain->place
            && $told->pain->kind === $pain->kind
            && in_array($told->posture, ['', $this->posture], true)
            && in_array($told->rung, ['', $this->rung], true)
            && Day::of($told->on) === Day::of($this->on);
    }

    /** Whether it is of a shape on a side, on a day. */
    public function isOf(string $posture, string $rung, Side $side, \DateTimeImmutable $on): bool
    {
        return $this->posture === $posture
            && $this->rung === $rung
            && (null === $this->side || $this->side === $side)
            && Day::of($this->on) === Day::of($on);
    }

    /** @return list<Felt> one a side */
    public function felt(): array
    {
        return array_map(
            fn (Side $side): Felt => new Felt(
                $this->posture,
                $this->rung,
                $side,
                $this->place,
                $this->kind,
                $this->on,
            ),
            null === $this->side ? Side::cases() : [$this->side],
        );
    }
}
