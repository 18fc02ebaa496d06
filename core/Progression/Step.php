<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

/** What comes after a readiness check. */
enum Step: string
{
    case MoveOn = 'move-on';
    case Stay = 'stay';
    case StepBack = 'step-back';
    case Stop = 'stop';
}
