<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/** The kinds of entry, each with a folder and a schema of its own. */
enum Kind: string
{
    case Test = 'test';
    case Posture = 'posture';
    case School = 'school';
    case Caution = 'caution';
    case Drill = 'drill';
    case Feeling = 'feeling';

    /**
     * @return list<self> those of which a teacher may write some; schools, cautions and what is felt where are the
     *     catalogue's own
     */
    public static function own(): array
    {
        return [self::Posture, self::Drill, self::Test];
    }

    public function folder(): string
    {
        return $this->value.'s';
    }
}
