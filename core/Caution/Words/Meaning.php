<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Words;

/** What words mean to a caution. */
enum Meaning: string
{
    /** Nothing is said to hurt, or to be the matter. */
    case Nothing = 'nothing';
    case Pain = 'pain';
    case Condition = 'condition';
    /** Something that many have and that hurts nobody, unless it does: that is asked, and holds nothing. */
    case Question = 'question';
    /** Something is named and taken back, half or for a while. */
    case Unclear = 'unclear';

    public function isPlain(): bool
    {
        return self::Pain === $this || self::Condition === $this;
    }
}
