<?php

declare(strict_types=1);

namespace LucidAscent\Core\History\Entry;

use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\Written;
use LucidAscent\Core\Posture\Purpose;

/** Which poses somebody wants, and what for. */
final readonly class PosesWanted implements Entry
{
    use Written;

    /** @param array<string, Purpose> $purposes by posture; none for one of which nobody said it */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public string $by,
        public array $purposes,
    ) {
    }
}
