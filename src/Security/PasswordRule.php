<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

/** What a password must be: long. Nothing else makes it much better. */
final class PasswordRule
{
    public const SHORTEST = 12;
    /** The hash reads no further than this many bytes of some algorithms. */
    public const LONGEST = 72;

    public static function fault(#[\SensitiveParameter] string $password): ?string
    {
        return match (true) {
            mb_strlen($password) < self::SHORTEST => sprintf('A password has at least %d characters.', self::SHORTEST),
            strlen($password) > self::LONGEST => sprintf('A password has at most %d bytes.', self::LONGEST),
            default => null,
        };
    }
}
