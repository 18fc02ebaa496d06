<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

enum PainKind: string
{
    case Ache = 'ache';
    case Sharp = 'sharp';
    case Pinching = 'pinching';
    case Burning = 'burning';
    case LastingNumbness = 'lasting-numbness';
    case Clicking = 'clicking';

    /** All but an ache stop the work at once (common practice). */
    public function stops(): bool
    {
        return self::Ache !== $this;
    }
}
