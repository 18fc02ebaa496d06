<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;

/** How high the hip joints are, by what carries the body. */
enum HipHeight: string
{
    case Sits = 'sits';
    case Lies = 'lies';
    case LiesOnSide = 'lies-on-side';
    case Kneels = 'kneels';
    case Stands = 'stands';
    /** As the leg chain has it for the rung. */
    case Demanded = 'demanded';

    public function carriesPelvis(): bool
    {
        return in_array($this, [self::Sits, self::Lies, self::LiesOnSide], true);
    }

    /** Of the hip joints above the floor, in cm; raised by so many cm, where something lies under the body. */
    public function of(Physique $body, ?LegPose $demanded, float $raised): float
    {
        $leg = $body->leg(Side::Left);
        $other = $body->leg(Side::Right);

        return match ($this) {
            self::Sits => $leg->seatedHipHeight + $raised,
            self::Lies => $leg->lyingHipHeight + $raised,
            self::LiesOnSide => $body->radii('hips')[0] + $leg->hipSpacing / 2.0 + $raised,
            self::Kneels => LegChain::HALF_KNEE + min($leg->thigh, $other->thigh) - 0.01,
            self::Stands => min($leg->thigh + $leg->shin, $other->thigh + $other->shin) +
                $leg->ankleAboveSole -
                0.3 +
                $raised,
            self::Demanded => null === $demanded ? $leg->seatedHipHeight + $raised : $demanded->hip->z,
        };
    }
}
