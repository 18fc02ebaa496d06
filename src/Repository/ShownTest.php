<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use LucidAscent\Core\Caution\Pain;

/** One side of a test as lists show it: what was written down, and nothing that is worked out of it. */
final readonly class ShownTest
{
    /**
     * @param list<array{readings: array<string, float>, entered: array<string, string>}> $trials in their order
     * @param list<string> $compensations
     */
    public function __construct(
        public string $kind,
        public \DateTimeImmutable $at,
        public array $trials,
        public array $compensations,
        public Pain $pain,
        public string $note,
        /** Whose hand it is in. */
        public string $writtenBy,
        /** Whether that is what a file says. */
        public bool $isClaimed,
        /** Whether the practitioner took it at home. */
        public bool $isOwn,
    ) {
    }
}
