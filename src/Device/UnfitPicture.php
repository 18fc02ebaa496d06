<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

/** A file that is no picture to measure on. */
final class UnfitPicture extends \DomainException
{
    private function __construct(string $message, public readonly bool $isWordless = false)
    {
        parent::__construct($message);
    }

    public static function noPicture(): self
    {
        return new self('picture.unreadable');
    }

    public static function wordless(): self
    {
        return new self('picture.shows.missing', true);
    }

    public static function notKept(): self
    {
        return new self('picture.no_room');
    }

    public static function size(): self
    {
        return new self('picture.size');
    }
}
