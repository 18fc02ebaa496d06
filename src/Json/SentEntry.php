<?php

declare(strict_types=1);

namespace LucidAscent\App\Json;

use Symfony\Component\Uid\Uuid;

/** Under which id something was sent: sent twice under one it is kept once. */
final class SentEntry
{
    /** One of its own where it was sent under none. */
    public static function id(mixed $sent): Uuid
    {
        return is_string($sent) && Uuid::isValid($sent) ? Uuid::fromString($sent) : Uuid::v7();
    }
}
