<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

/** The four joint angles of the leg chain. */
enum Component: string
{
    case Flexion = 'flexion';
    case Abduction = 'abduction';
    case ExternalRotation = 'rotation';
    case KneeFlexion = 'kneeFlexion';
}
