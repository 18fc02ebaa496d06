<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\LegChain\Ability;

/** What keeps a soles-together knee up. */
enum Restriction: string
{
    case Rotation = 'rotation';
    case Abduction = 'abduction';
    case Both = 'both';
    /** A supposition: only imaging shows bone. */
    case Structure = 'structure';
    case None = 'none';
    case Unknown = 'unknown';

    /** What is missing of one of the two. */
    public static function of(Ability $ability): self
    {
        return Ability::ExternalRotation === $ability ? self::Rotation : self::Abduction;
    }
}
