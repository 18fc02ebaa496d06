<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/** The practitioner's own left or right, never the onlooker's. */
enum Side: string
{
    case Left = 'left';
    case Right = 'right';

    /** Which way is outward, along an axis to the person's own left: 1 on the left side, -1 on the right. */
    public function outward(): float
    {
        return self::Left === $this ? 1.0 : -1.0;
    }

    public function opposite(): self
    {
        return self::Left === $this ? self::Right : self::Left;
    }
}
