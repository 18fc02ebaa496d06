<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/**
 * The lowest knee height at which no angle exceeds its capacity: how low this knee may come, and
 * so how high a block under it has to be.
 */
final readonly class LowestKnee
{
    /** Half the thickness of a knee, in cm: its centre comes no nearer to the floor. */
    public const FLOOR = 5.0;

    /** Heights are answered on a grid of a tenth of a centimetre, always to the safe side. */
    private const STEPS_PER_CM = 10;

    private function __construct(public LegPose $pose, public ?Component $limiter)
    {
    }

    public function height(): float
    {
        return $this->pose->knee->z;
    }

    /** @throws OutOfReach when no knee height keeps every angle within its capacity */
    public static function of(AnkleContact $contact, Body $body, Capacity $capacity): self
    {
        $found = self::search($contact, $body, $capacity);
        if (null === $found) {
            throw OutOfReach::because('No knee height keeps every angle within its capacity with the pelvis as it is.');
        }

        return $found;
    }

    /** The same answer, or null in place of the exception. */
    public static function search(AnkleContact $contact, Body $body, Capacity $capacity): ?self
    {
        $below = null;
        foreach (self::heights($contact, $body) as $pose) {
            if (null !== $pose && $capacity->worstMargin($pose->angles) >= 0.0) {
                return new self($pose, null === $below ? null : $capacity->limiter($below->angles));
            }
            $below = $pose;
        }

        return null;
    }

    /** The leg at the height whose tightest angle is least over its capacity; null when no height can be made. */
    public static function compromise(AnkleContact $contact, Body $body, Capacity $capacity): ?LegPose
    {
        $best = null;
        $margin = -INF;
        foreach (self::heights($contact, $body) as $pose) {
            if (null !== $pose && $capacity->worstMargin($pose->angles) > $margin) {
                $best = $pose;
                $margin = $capacity->worstMargin($pose->angles);
            }
        }

        return $best;
    }

    /**
     * The leg at every height of the grid from the floor up; null where it cannot be made.
     *
     * @return iterable<LegPose|null>
     */
    private static function heights(AnkleContact $contact, Body $body): iterable
    {
        $last = (int) floor(self::STEPS_PER_CM * ($contact->sitting()->hipHeight($body) + $body->thigh));
        for ($step = (int) (self::FLOOR * self::STEPS_PER_CM); $step <= $last; ++$step) {
            try {
                yield (new KneeAtHeight($contact, $step / self::STEPS_PER_CM))->pose($body);
            } catch (OutOfReach|StraightKnee) {
                yield null;
            }
        }
    }
}
