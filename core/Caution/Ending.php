<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/** What ends a condition: it is never unticked. */
enum Ending: string
{
    /** A licensed clinician's word. */
    case Clinician = 'clinician';
    /** The day on which it was said. */
    case Day = 'day';
    /** The eighteenth birthday. */
    case Birthday = 'birthday';
    case Never = 'never';
    /** Whoever has read what was written. */
    case Read = 'read';
}
