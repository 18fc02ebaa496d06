<?php

declare(strict_types=1);

namespace LucidAscent\App\Audit;

/** Which part of a record it was done with. */
enum Place: string
{
    case List = 'list';
    case Readiness = 'readiness';
    case Body = 'body';
    case Tests = 'tests';
    case Ladder = 'ladder';
    case Plan = 'plan';
    case Session = 'session';
    case Progress = 'progress';
    case History = 'history';
    case Health = 'health';
    case Pictures = 'pictures';
    case Record = 'record';
    case Calendar = 'calendar';
    case OwnPage = 'own-page';
    case Messages = 'messages';
    case Classes = 'classes';
    case Account = 'account';
    case Audit = 'audit';
    case Studio = 'studio';
    case Backup = 'backup';
}
