<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;

/** The props that a person has at home. */
final readonly class Equipment
{
    /** @throws InvalidValue when there are fewer than none */
    public function __construct(public int $blocks, public int $blankets, public bool $strap)
    {
        Check::within('props.blocks', (float) $blocks, 0.0, 20.0, '');
        Check::within('props.blankets', (float) $blankets, 0.0, 20.0, '');
    }

    public function has(PracticeRung $rung): bool
    {
        return ($rung->props['block'] ?? 0) <= $this->blocks
            && ($rung->props['blanket'] ?? 0) <= $this->blankets
            && (0 === ($rung->props['strap'] ?? 0) || $this->strap);
    }
}
