<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\Core\History\History;
use LucidAscent\Core\Readiness\ReadPoses;

/** The person of a document, what is wanted of all postures, and what could not be read. */
final readonly class ReadDocument
{
    /**
     * @param list<string> $wanted the wanted poses that there are
     * @param list<array<string, mixed>> $unread
     */
    public function __construct(
        public ReadPoses $poses,
        public History $history,
        public array $wanted,
        public array $unread,
    ) {
    }
}
