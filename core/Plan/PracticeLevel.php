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

    /** How far up a level is, from 0; what is none stands with the lowest. */
    public static function place(string $level): int
    {
        return (int) array_search($level, self::names(), true);
    }
}
