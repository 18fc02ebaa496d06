<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/** The practitioner's own left or right, never the onlooker's. */
enum Side: string
{
    case Left = 'left';
    case Right = 'right';

    public function opposite(): self
    {
        return self::Left === $this ? self::Right : self::Left;
    }
}
