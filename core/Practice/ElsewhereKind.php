<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

/** What somebody does besides what is planned here. */
enum ElsewhereKind: string
{
    case Lesson = 'lesson';
    case Teaching = 'teaching';
    case Running = 'running';
    case Cycling = 'cycling';
    case Climbing = 'climbing';
    case Strength = 'strength';
    case Other = 'other';

    /** Whether hips are bent and turned in it as deep as here: whoever teaches shows it, too. */
    public function isDeep(): bool
    {
        return in_array($this, [self::Lesson, self::Teaching], true);
    }
}
