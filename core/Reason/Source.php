<?php

declare(strict_types=1);

namespace LucidAscent\Core\Reason;

/** Where a rule or a number comes from. */
enum Source: string
{
    /** A source in print is named beside it. */
    case Published = 'published';
    /** Common practice among teachers, with no source in print. */
    case Trade = 'trade';
    /** In print somewhere, and written down from memory. */
    case Memory = 'memory';
    /** This product's own figure. */
    case Own = 'own';
    /** Computed here from what was measured. */
    case Computed = 'computed';
}
