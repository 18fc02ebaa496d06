<?php

declare(strict_types=1);

namespace LucidAscent\Core\History\Entry;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\Written;

/** A body, as it was measured. */
final readonly class BodyMeasured implements Entry
{
    use Written;

    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public string $by,
        public Proportions $proportions,
    ) {
    }
}
