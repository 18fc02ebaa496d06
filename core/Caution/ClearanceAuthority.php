<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/** Whose word lifts a hold. */
enum ClearanceAuthority: string
{
    /** The teacher's own, in writing, two days later, and after asking. */
    case Teacher = 'teacher';
    /** A licensed clinician's. */
    case Clinician = 'clinician';
}
