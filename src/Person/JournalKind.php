<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

/** What an entry of the journal is about. */
enum JournalKind: string
{
    case Test = 'test';
    case Practice = 'practice';
    case Walk = 'walk';
    case Felt = 'felt';
    case Decision = 'decision';
    case Pain = 'pain';
    case Word = 'word';
    case Plan = 'plan';
    case Body = 'body';
}
