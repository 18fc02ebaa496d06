<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

use LucidAscent\Core\Caution\PainPlace;

/** A place in which a shape may be felt, out of the list of the catalogue. */
final readonly class FeltPlace
{
    /** That nothing is felt at all. */
    public const NOTHING = 'nothing';

    /**
     * @param PainPlace $pain where it hurts when what is felt there is pain
     * @param bool $warns whether it is a place to be careful of, wherever a shape is felt
     */
    public function __construct(public string $id, public PainPlace $pain, public bool $warns = false)
    {
    }

    /** A place that is on no list: nobody knows how serious it is. */
    public static function unlisted(string $id): self
    {
        return new self($id, PainPlace::Unknown, true);
    }

    public function isNothing(): bool
    {
        return self::NOTHING === $this->id;
    }
}
