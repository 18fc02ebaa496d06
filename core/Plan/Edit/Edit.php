<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Edit;

use LucidAscent\Core\Plan\PlannedSession;

/** A change that a teacher makes by hand to all work on one thing in a session, with what undoes it. */
interface Edit
{
    /** @param int $at the place of one item of it */
    public function apply(PlannedSession $session, int $at): PlannedSession;
}
