<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/**
 * The circle on which the knee can lie when hip and ankle stay where they are, and the point of it
 * that asks least of a person: the best worst margin among the points above the floor and clear of
 * the body.
 */
final readonly class Swivel
{
    /** Half a knee's thickness, in cm: how near its centre comes to the floor. */
    public const FLOOR = LowestKnee::FLOOR;

    /** The whole circle is looked at in this many steps, then the best places closely. */
    private const STEPS = 120;
    private const GOLDEN = 0.6180339887498949;
    private const FINE = 1e-6;

    private function __construct(
        private Vector $hip,
        private Vector $ankle,
        private Vector $centre,
        private float $radius,
        private Vector $across,
        private Vector $along,
        private float $pelvicTilt,
    ) {
    }

    /**
     * @param Vector $hip in cm, ground frame
     * @param Vector $ankle the same
     *
     * @throws OutOfReach when the leg cannot span from hip to ankle
     * @throws StraightKnee when it spans it only stretched out
     */
    public static function between(Vector $hip, Vector $ankle, Body $body, float $pelvicTilt): self
    {
        $line = $ankle->minus($hip);
        $distance = $line->length();
        if (0.0 === $distance || $distance > $body->thigh + $body->shin || $distance < abs($body->thigh - $body->shin)) {
            throw OutOfReach::ankle();
        }
        $fromHip = ($body->thigh ** 2 - $body->shin ** 2 + $distance ** 2) / (2 * $distance);
        $radius = sqrt(max(0.0, $body->thigh ** 2 - $fromHip ** 2));
        if ($radius < 1e-6) {
            throw StraightKnee::rotationUnreadable();
        }
        $axis = $line->times(1 / $distance);
        // Any direction that is not the axis's own will do to stand the circle's two axes on.
        $other = abs($axis->z) < 0.9 ? new Vector(0.0, 0.0, 1.0) : new Vector(1.0, 0.0, 0.0);
        $across = $axis->cross($other);
        $across = $across->times(1 / $across->length());

        return new self($hip, $ankle, $hip->plus($axis->times($fromHip)), $radius, $across, $axis->cross($across), $pelvicTilt);
    }

    /**
     * @param float $outside how far from the midline the knee has to stay, in cm, on its own side
     *
     * @throws OutOfReach when no point is above the floor and clear of the body
     */
    public function best(Capacity $capacity, float $outside = -INF): LegPose
    {
        $step = 2 * M_PI / self::STEPS;
        $margins = [];
        for ($i = 0; $i < self::STEPS; ++$i) {
            $margins[$i] = $this->margin($i * $step, $capacity, $outside);
        }
        $best = null;
        $margin = -INF;
        foreach ($margins as $i => $here) {
            $before = $margins[($i + self::STEPS - 1) % self::STEPS];
            $after = $margins[($i + 1) % self::STEPS];
            $isPeak = -INF !== $here && $here >= $before && $here >= $after;
            // The best place may be the very edge of what is allowed, between an allowed step and one that is not.
            $isEdge = (-INF === $here) !== (-INF === $after);
            foreach ([[$isPeak, ($i - 1) * $step, ($i + 1) * $step], [$isEdge, $i * $step, ($i + 1) * $step]] as [$look, $low, $high]) {
                if (!$look) {
                    continue;
                }
                $angle = $this->climb($low, $high, $capacity, $outside);
                $found = $this->margin($angle, $capacity, $outside);
                if ($found > $margin) {
                    [$best, $margin] = [$angle, $found];
                }
            }
        }
        if (null === $best) {
            throw OutOfReach::because('No place for the knee is above the floor and clear of the body.');
        }

        return $this->pose($best);
    }

    /** @throws StraightKnee when rotation cannot be read there */
    public function pose(float $radians): LegPose
    {
        return LegChain::inverse($this->hip, $this->knee($radians), $this->ankle, $this->pelvicTilt);
    }

    private function knee(float $radians): Vector
    {
        $a = $this->radius * cos($radians);
        $b = $this->radius * sin($radians);

        return new Vector(
            $this->centre->x + $a * $this->across->x + $b * $this->along->x,
            $this->centre->y + $a * $this->across->y + $b * $this->along->y,
            $this->centre->z + $a * $this->across->z + $b * $this->along->z,
        );
    }

    private function margin(float $radians, Capacity $capacity, float $outside): float
    {
        $knee = $this->knee($radians);
        if ($knee->z < self::FLOOR || $knee->y < $outside) {
            return -INF;
        }
        try {
            return $capacity->worstMargin(LegChain::inverse($this->hip, $knee, $this->ankle, $this->pelvicTilt)->angles);
        } catch (StraightKnee) {
            return -INF;
        }
    }

    /** The best angle between two (golden section), never leaving what is allowed. */
    private function climb(float $low, float $high, Capacity $capacity, float $outside): float
    {
        $best = $low;
        $most = $this->margin($low, $capacity, $outside);
        foreach ([$high, ($low + $high) / 2] as $angle) {
            $margin = $this->margin($angle, $capacity, $outside);
            if ($margin > $most) {
                [$best, $most] = [$angle, $margin];
            }
        }
        while ($high - $low > self::FINE) {
            $one = $high - self::GOLDEN * ($high - $low);
            $two = $low + self::GOLDEN * ($high - $low);
            $atOne = $this->margin($one, $capacity, $outside);
            $atTwo = $this->margin($two, $capacity, $outside);
            foreach ([[$one, $atOne], [$two, $atTwo]] as [$angle, $margin]) {
                if ($margin > $most) {
                    [$best, $most] = [$angle, $margin];
                }
            }
            // Towards the better; on forbidden ground, towards the best place known.
            if ($atOne > $atTwo || (-INF === $atOne && -INF === $atTwo && $best < $one)) {
                $high = $two;
            } else {
                $low = $one;
            }
        }

        return $best;
    }
}
