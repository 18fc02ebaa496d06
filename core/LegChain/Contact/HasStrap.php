<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\OutOfReach;

/** A posture in which a strap closes the gap between hand and foot. */
interface HasStrap
{
    /**
     * From the hand to the ankle, in cm: the length of the strap.
     *
     * @throws OutOfReach when a body of these lengths cannot be there
     */
    public function strap(Body $body): float;
}
