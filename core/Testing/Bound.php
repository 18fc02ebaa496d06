<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

/** What a reading proves of a capacity. */
enum Bound: string
{
    case Exact = 'exact';
    /** The person can do this much, and may be able to do more. */
    case AtLeast = 'at-least';
}
