<?php

declare(strict_types=1);

namespace LucidAscent\App\Audit;

/** What somebody did with a record. */
enum Action: string
{
    case Read = 'read';
    case Write = 'write';
    case Print = 'print';
    case Export = 'export';
    case Share = 'share';
    /** Lifted what held. */
    case Clear = 'clear';
    /** Decided otherwise than was proposed. */
    case Override = 'override';
    case Erase = 'erase';
    case SignIn = 'sign-in';
    case SignOut = 'sign-out';
}
