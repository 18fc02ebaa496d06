<?php

declare(strict_types=1);

namespace LucidAscent\Core\Picture;

use LucidAscent\Core\Testing\SmallestChange;

/** One line of a picture beside that of the drawing, in degrees. */
final readonly class ReadLine
{
    /** @param float $error one SD of what was read: points, and a camera that does not look square */
    public function __construct(
        public JudgedLine $line,
        public float $degrees,
        public float $target,
        public float $error,
    ) {
    }

    /** Yes, no, or null where it lies within the error of either. */
    public function isMet(): ?bool
    {
        $off = abs($this->degrees - $this->target);

        return match (true) {
            $off <= JudgedLine::TOLERANCE => true,
            $off > JudgedLine::TOLERANCE + SmallestChange::between($this->error) => false,
            default => null,
        };
    }
}
