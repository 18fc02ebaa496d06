<?php

declare(strict_types=1);

namespace LucidAscent\Core\History\Entry;

use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\Written;
use LucidAscent\Core\Caution\Words\Words;

/** Free words that came in when nobody could ask what they mean: they hold until somebody has read them. */
final readonly class WordsSaid implements Entry
{
    use Written;

    /** @param \DateTimeImmutable|null $readAt when a teacher had read them; null while nobody has */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public Words $words,
        public ?\DateTimeImmutable $readAt = null,
        public string $by = '',
    ) {
    }
}
