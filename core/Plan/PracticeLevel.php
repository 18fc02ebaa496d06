<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/** For whom a posture is, from those who begin to those who have practised for years. */
enum PracticeLevel: string
{
    case Anyone = 'anyone';
    case TeacherFirst = 'teacher-first';
    case Practised = 'practised';
    case Years = 'years';

    /** @return list<string> */
    public static function names(): array
    {
        return array_column(self::cases(), 'value');
    }
}
