<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Entity\Role;

/** What a page asks of whoever opens it, beside that the person on it is open to them. */
enum Right
{
    /** The page asks for itself: a sign-in, or the own page of a practitioner's device. */
    case Public;
    /** A member, whatever they are. */
    case Member;
    /** To see where somebody stands. */
    case See;
    /** To read what is written about somebody's health in words. */
    case Words;
    /** To write down what was measured and done. */
    case Measure;
    /** To decide, to plan, to clear, to give away. */
    case Teach;
    /** To say who is a member, and of which studio. */
    case Run;

    public function is(Role $role): bool
    {
        return match ($role) {
            Role::Owner => true,
            Role::Teacher => self::Run !== $this,
            Role::Assistant => in_array($this, [self::Public, self::Member, self::See, self::Measure], true),
            Role::Reader => in_array($this, [self::Public, self::Member, self::See, self::Words], true),
            Role::Left => self::Public === $this,
        };
    }
}
