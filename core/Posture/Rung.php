<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

/** One step of a ladder, as far as the rules need it; what a teacher reads stays in $texts. */
final readonly class Rung
{
    /**
     * @param array<string, string> $compensations what they look like, by id
     * @param array<string, mixed> $texts as written in the catalogue
     */
    public function __construct(
        public string $id,
        public string $name,
        public PropRule $prop,
        public array $compensations = [],
        public array $texts = [],
    ) {
    }
}
