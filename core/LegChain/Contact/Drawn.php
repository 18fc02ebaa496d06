<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\OutOfReach;

/** A posture that asks for single angles only, and says how the whole leg is drawn. */
interface Drawn
{
    /** @throws OutOfReach when a body of these lengths cannot be there */
    public function drawn(Body $body): LegPose;
}
