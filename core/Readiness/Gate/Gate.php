<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Readiness\State;

/**
 * What stands before a rung: it can keep a side back, and never lets one pass that the numbers do not. Not asked is not
 * met.
 */
interface Gate
{
    /**
     * @param callable(string): ?State $stateOf of a posture on this side, by its id; null where there is none of that
     *     id, or it is being read
     * @param EvidenceCutOff|null $since what is older counts no more
     */
    public function check(Snapshot $person, Side $side, callable $stateOf, ?EvidenceCutOff $since): GateFinding;
}
