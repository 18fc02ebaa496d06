<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Practice\Since;
use LucidAscent\Core\Readiness\KnownPerson;

/** What stands before a rung: it can keep a side back, and never lets one pass that the numbers do not. Not asked is not met. */
interface Gate
{
    /**
     * @param callable(string): bool $isInReach whether the full form of a posture is open or near on this side, by its id
     * @param Since|null $since what is older counts no more
     */
    public function check(KnownPerson $person, Side $side, callable $isInReach, ?Since $since): GateFinding;
}
