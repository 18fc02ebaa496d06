<?php

declare(strict_types=1);

namespace LucidAscent\Core\Reach;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Posture\BodyReach;
use LucidAscent\Core\Posture\JointAsked;
use LucidAscent\Core\Posture\Reach;
use LucidAscent\Core\Posture\ReachKind;

/**
 * One hand down over its shoulder, the other up the back. Where shoulders set no limit the upper arms stand along the
 * trunk, one up and one down, and both elbows are folded as far as elbows go (145 degrees, within the usual range): the
 * fingertips then pass each other by what forearms and hands have over the upper arms. What the test finds missing
 * beyond that is the shoulders'.
 */
final readonly class OverUnder implements Reach
{
    private const ELBOW = 145.0;

    public function kind(): ReachKind
    {
        return ReachKind::OverUnder;
    }

    public function of(Proportions $body, Side $working): BodyReach
    {
        return new class(self::free($body), $working) implements BodyReach {
            public function __construct(private float $free, private Side $top)
            {
            }

            public function asks(): array
            {
                return [new JointAsked(Ability::ShoulderReach, $this->top, $this->free)];
            }

            public function gap(array $short): float
            {
                return $this->free + array_sum($short);
            }
        };
    }

    /** The gap in cm where only the arms' lengths decide; below zero as a rule: the fingers overlap. */
    public static function free(Proportions $body): float
    {
        $of = static function (Side $side) use ($body): float {
            $upperArm = $body->upper($side)->upperArm;

            return $upperArm + cos(deg2rad(self::ELBOW)) * ($body->toFingertips($side) - $upperArm);
        };

        return $of(Side::Left) + $of(Side::Right);
    }
}
