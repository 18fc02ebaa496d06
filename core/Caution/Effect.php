<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/** What a caution does. */
enum Effect: string
{
    /** Ends the work at once; only a written clearance lifts it. */
    case Stop = 'stop';
    /** Nothing that it names before a licensed clinician has said what is allowed. */
    case Clinician = 'clinician';
    /** Keeps to the gentle rungs, and holds what it names. */
    case Gentle = 'gentle';
}
