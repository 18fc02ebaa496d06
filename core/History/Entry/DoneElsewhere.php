<?php

declare(strict_types=1);

namespace LucidAscent\Core\History\Entry;

use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\Written;
use LucidAscent\Core\Practice\Elsewhere;

/** What somebody did elsewhere. */
final readonly class DoneElsewhere implements Entry
{
    use Written;

    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public string $by,
        public Elsewhere $what,
    ) {
    }
}
