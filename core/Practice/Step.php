<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

/** What comes next on a rung. */
enum Step: string
{
    case MoveOn = 'move-on';
    case Stay = 'stay';
    case StepBack = 'step-back';
    case Stop = 'stop';
    /** The same limiter by another drill. */
    case SwitchDrill = 'switch-drill';
    /** The same limiter by another school. */
    case SwitchSchool = 'switch-school';
    /** Test first, then decide. */
    case ReTest = 're-test';
}
