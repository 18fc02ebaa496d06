<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Reason\Reason;

/** What the rules propose after a readiness check: the teacher has the last word, save over a stop. */
final readonly class Proposal
{
    /**
     * @param list<Reason> $reasons
     * @param list<ReadinessCheck> $restsOn the sessions it rests on
     */
    public function __construct(public Step $step, public array $reasons, public array $restsOn)
    {
    }
}
