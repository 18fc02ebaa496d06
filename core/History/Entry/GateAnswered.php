<?php

declare(strict_types=1);

namespace LucidAscent\Core\History\Entry;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\Written;
use LucidAscent\Core\Caution\Pain;

/** What a gate asks for, watched and answered beside any test. */
final readonly class GateAnswered implements Entry
{
    use Written;

    /** @param Pain $pain what hurt: an answer that hurt is none; that it hurt is told by itself */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public string $by,
        public string $gate,
        public Side $side,
        public bool $isMet,
        public Pain $pain,
    ) {
    }
}
