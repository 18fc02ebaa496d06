<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

/** What somebody wants a pose for: it decides which of its forms is practised, and how far. */
enum Purpose: string
{
    case BackOfHip = 'back-of-hip';
    /** Of the other hip, whose leg is behind. */
    case FrontOfHip = 'front-of-hip';
    case Sitting = 'sitting';
    case Bind = 'bind';
    /** For the knee's sake: the foot off the floor. */
    case Knee = 'knee';
    case Show = 'show';
}
