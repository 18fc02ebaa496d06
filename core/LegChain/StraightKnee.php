<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

/** Thigh and shin lie in one line, so that rotation of the hip leaves no trace to read. */
final class StraightKnee extends \DomainException
{
    public static function rotationUnreadable(): self
    {
        return new self('Thigh and shin lie in one line: rotation cannot be read off such a leg.');
    }
}
