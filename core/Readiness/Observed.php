<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;

/** The answer to a gate that is watched. */
final readonly class Observed
{
    /** @param string $gate the id of the test that asks */
    public function __construct(
        public string $gate,
        public Side $side,
        public bool $isMet,
        public \DateTimeImmutable $on,
        public ?\DateTimeImmutable $at = null,
    ) {
    }
}
