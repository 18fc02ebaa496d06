<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

/** What was answered could not be written out whole. */
final class UnwrittenAnswer extends \RuntimeException
{
    public static function here(): self
    {
        return new self('The answer could not be written out: the disk is full, or nobody reads it any more.');
    }
}
