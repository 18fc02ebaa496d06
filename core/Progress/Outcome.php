<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

/** What came of a forecast. */
enum Outcome: string
{
    case Within = 'within';
    case Early = 'early';
    case Late = 'late';
}
