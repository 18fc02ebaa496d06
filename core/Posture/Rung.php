<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

use LucidAscent\Core\Readiness\GateOutcome;

/** One step of a ladder, as far as the rules need it; what a teacher reads stays in $texts. */
final readonly class Rung
{
    /**
     * @param GateOutcome $gate what the gate must allow before this rung may be practised
     * @param string $hold how long it is held, such as "10 breaths"
     * @param array<string, string> $compensations what they look like, by id
     * @param array<string, mixed> $texts as written in the catalogue
     */
    public function __construct(
        public string $id,
        public string $name,
        public GateOutcome $gate,
        public PropRule $prop,
        public string $hold = '',
        public array $compensations = [],
        public array $texts = [],
    ) {
    }
}
