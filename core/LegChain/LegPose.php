<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

/** A leg in place: its joint angles, and where hip, knee and ankle centres are (see Vector). */
final readonly class LegPose
{
    public function __construct(
        public LegAngles $angles,
        public Vector $hip,
        public Vector $knee,
        public Vector $ankle,
    ) {
    }
}
