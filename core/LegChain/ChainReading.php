<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/** A reading that fixes the whole leg in space. */
interface ChainReading extends Reading
{
    /**
     * @throws OutOfReach when legs of these lengths cannot be there
     * @throws StraightKnee when rotation cannot be read
     */
    public function pose(Body $body): LegPose;
}
