<?php

declare(strict_types=1);

namespace LucidAscent\Core\Reach;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Figure\Pose;
use LucidAscent\Core\Posture\BodyReach;
use LucidAscent\Core\Posture\Reach;
use LucidAscent\Core\Posture\ReachKind;

/** A reach of a shape as it is drawn. */
final readonly class DrawnReach implements Reach
{
    /**
     * @param bool $isWorkingArm whether it is the arm of the side that works
     * @param string $to where the hand is to get, by name from the arm's own side: "foot", "other-foot", "toe"
     * @param string|null $round the leg that the arm goes round, likewise: "shin", "other-thigh"; null where it goes
     *     round none
     */
    public function __construct(
        public ReachKind $kind,
        public Pose $pose,
        private bool $isWorkingArm,
        public string $to,
        public ?string $round = null,
    ) {
    }

    public function kind(): ReachKind
    {
        return $this->kind;
    }

    public function of(Proportions $body, Side $working): BodyReach
    {
        return new DrawnBodyReach(
            $this,
            $body,
            Figure::of($this->pose, Physique::of($body), $working),
            $this->isWorkingArm ? $working : $working->opposite(),
        );
    }
}
