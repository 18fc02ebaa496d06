<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\KnownPerson;

/** What stands before a posture's numbers: it can keep a side back, and never lets one pass that they do not. */
interface Gate
{
    /** @return list<string> ids of the postures before which it stands */
    public function postures(): array;

    /** @param callable(string): bool $isInReach whether the full form of a posture is open or near on this side, by its id */
    public function check(KnownPerson $person, Side $side, callable $isInReach): GateFinding;
}
