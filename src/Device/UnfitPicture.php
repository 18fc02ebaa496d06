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
        return new self('This is no whole JPEG or PNG picture.');
    }

    public static function wordless(): self
    {
        return new self('Say in up to 200 letters what the picture shows, for whoever does not see it.', true);
    }

    public static function notKept(): self
    {
        return new self('The picture could not be kept: there is no room for it. Nothing was recorded of it.');
    }

    public static function size(): self
    {
        return new self('A picture is from 100 to 8000 pixels wide and high, and up to 8 MB.');
    }
}
