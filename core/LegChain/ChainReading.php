<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/** A reading that fixes the whole leg in space. */
interface ChainReading extends Reading
{
    /**
     * Where the centres of hip, knee and ankle are, in plain floats: errors, searches and plans ask for many of them.
     *
     * @return array{float, float, float, float, float, float, float, float, float} x, y and z of each, in cm, in the
     *     ground frame
     *
     * @throws OutOfReach when legs of these lengths cannot be there
     * @throws StraightKnee when it spans from hip to ankle only stretched out
     */
    public function joints(Body $body): array;

    /** Degrees, anterior positive. */
    public function pelvicTilt(): float;

    /**
     * @throws OutOfReach when legs of these lengths cannot be there
     * @throws StraightKnee when rotation cannot be read
     */
    public function pose(Body $body): LegPose;
}
