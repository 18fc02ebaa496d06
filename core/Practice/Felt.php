<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Posture\FeltPlace;

/** Where a shape was felt on one side, and what it was like. */
final readonly class Felt
{
    /**
     * @param string $rung a rung of the posture, or a form beside one
     * @param \DateTimeImmutable $on the day
     */
    public function __construct(
        public string $posture,
        public string $rung,
        public Side $side,
        public FeltPlace $place,
        public PainKind $kind,
        public \DateTimeImmutable $on,
    ) {
    }

    /**
     * What it says of pain. A stretch is none, but in a knee, which nothing should pull at; nor is a place that nobody
     * knows let go for one. Of anything else the least level is said, where nobody gave a number.
     */
    public static function pain(FeltPlace $place, PainKind $kind): Pain
    {
        return match (true) {
            $place->isNothing() => Pain::none(),
            PainPlace::Unknown === $place->pain => Pain::unreadable(),
            PainKind::Stretch === $kind && !$place->pain->isKnee() => Pain::none(),
            default => new Pain(1, $place->pain, $kind),
        };
    }

    /** @param list<string> $right the places in which the shape should be felt; none where nobody says */
    public function isWrong(array $right): bool
    {
        return [] === $right
            ? $this->place->warns
            : !$this->place->isNothing() && !in_array($this->place->id, $right, true);
    }

    public function day(): string
    {
        return Day::of($this->on);
    }
}
