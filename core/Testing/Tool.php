<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

/** What a reading was taken with. */
enum Tool: string
{
    case Tape = 'tape';
    case Inclinometer = 'inclinometer';
    case Photo = 'photo';
    case Stopwatch = 'stopwatch';
    case Observation = 'observation';
}
