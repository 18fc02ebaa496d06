<?php

declare(strict_types=1);

namespace LucidAscent\Core\Calendar;

/**
 * The round of practice: after four weeks tests come again, a lighter week comes before them, and what has not moved by
 * then is done otherwise (common practice).
 */
final readonly class Cycle
{
    public const WEEKS = 4;
    public const DAYS = 28;
}
