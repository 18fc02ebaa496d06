<?php

declare(strict_types=1);

namespace LucidAscent\Core\Picture;

/** Points of a picture that say nothing of a shape. */
final class UnreadPicture extends \DomainException
{
    private function __construct(public readonly string $text, string $message)
    {
        parent::__construct($message);
    }

    public static function fewPoints(): self
    {
        return new self('picture.rung.few', sprintf('Mark %d points at least.', RungPicture::LEAST));
    }

    public static function onePoint(): self
    {
        return new self('picture.rung.one_point', 'Two ends of a line are one point: set them apart.');
    }

    public static function noLine(): self
    {
        return new self('picture.rung.no_line', 'They make no line by which this shape is judged.');
    }

    public static function otherShape(): self
    {
        return new self('picture.rung.other', 'They are not of this shape, or not from this side.');
    }
}
