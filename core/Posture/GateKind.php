<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

/** What a gate asks for. */
enum GateKind: string
{
    /** Another posture first. */
    case First = 'first';
    /** How the soles-together sitting came out. */
    case Sitting = 'sitting';
    /** A yes to something that is watched. */
    case Observed = 'observed';
}
