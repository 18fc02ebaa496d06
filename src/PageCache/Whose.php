<?php

declare(strict_types=1);

namespace LucidAscent\App\PageCache;

/** Whose records a page shows, beside the things of the teacher who is signed in. */
enum Whose
{
    /** Those of the person whose id is in its address. */
    case Persons;
    /** Nobody's. */
    case TeachersAlone;
    /** Those of everybody whom the teacher has. */
    case Everybodys;
}
