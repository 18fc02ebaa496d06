<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Reason\Reason;

/** Minutes of a session that nothing fills, and the rule that leaves them so. */
final readonly class Unused
{
    public function __construct(public int $minutes, public Reason $because)
    {
    }
}
