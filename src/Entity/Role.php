<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

/** What somebody is in a studio. */
enum Role: string
{
    /** Has people, as a teacher does, and says who is a member. */
    case Owner = 'owner';
    case Teacher = 'teacher';
    /** Measures and logs, and reads nothing that is written in words about anybody's health. */
    case Assistant = 'assistant';
    /** A colleague or a clinician who reads one record, until a day. */
    case Reader = 'reader';
    /** Was a member. */
    case Left = 'left';

    /** @return list<self> what somebody can be made */
    public static function given(): array
    {
        return [self::Owner, self::Teacher, self::Assistant, self::Reader];
    }

    /** Whether people can be theirs. */
    public function teaches(): bool
    {
        return self::Owner === $this || self::Teacher === $this;
    }
}
