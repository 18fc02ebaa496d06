<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/**
 * The circle on which the knee can lie when hip and ankle stay where they are, and the point of it
 * that asks least of a person: the best worst margin among the points above the floor and clear of
 * the body.
 */
final class Swivel
{
    /** What is allowed of the circle is looked at in steps of so many radians, then the best places closely. */
    private const STEP = M_PI / 60;
    private const FEWEST_STEPS = 8;
    private const GOLDEN = 0.6180339887498949;
    private const FINE = 1e-6;

    private const DEGREES = 180.0 / M_PI;

    /** @var array{array{float, float, float}, array{float, float, float}, array{float, float, float}} the thigh's direction along each of the pelvis's axes: what stays, what goes with the cosine, with the sine */
    private array $direction;
    /** @var array{float, float, float} from hip to ankle, along the same */
    private array $line;
    /** How far that reaches along the thigh, in cm: the same all around. */
    private float $ahead;

    private function __construct(
        private readonly Vector $hip,
        private readonly Vector $ankle,
        private readonly Vector $centre,
        private readonly float $radius,
        private readonly Vector $across,
        private readonly Vector $along,
        private readonly float $pelvicTilt,
        private readonly float $thigh,
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

        return new self($hip, $ankle, $hip->plus($axis->times($fromHip)), $radius, $across, $axis->cross($across), $pelvicTilt, $body->thigh);
    }

    /**
     * @param float $outside how far from the midline the knee has to stay, in cm, on its own side
     *
     * @throws OutOfReach when no point is above the floor and clear of the body
     */
    public function best(Capacity $capacity, float $outside = -INF): LegPose
    {
        $this->lookAlong();
        $best = null;
        $margin = -INF;
        foreach ($this->allowed($outside) as [$from, $to]) {
            $steps = max(self::FEWEST_STEPS, (int) ceil(($to - $from) / self::STEP));
            $angles = $margins = [];
            for ($i = 0; $i <= $steps; ++$i) {
                $angles[] = $from + ($to - $from) * $i / $steps;
                $margins[] = $this->margin($angles[$i], $capacity);
            }
            foreach ($margins as $i => $here) {
                // Looked at closely about every place that is no worse than its neighbours, and at the ends.
                if ($here < ($margins[$i - 1] ?? -INF) || $here < ($margins[$i + 1] ?? -INF)) {
                    continue;
                }
                [$angle, $found] = $this->climb($angles[max(0, $i - 1)], $angles[min($steps, $i + 1)], $capacity);
                foreach ([[$angles[$i], $here], [$angle, $found]] as [$place, $there]) {
                    if ($there > $margin) {
                        [$best, $margin] = [$place, $there];
                    }
                }
            }
        }
        if (null === $best) {
            throw OutOfReach::because('No place for the knee is above the floor and clear of the body.');
        }

        return $this->pose($best);
    }

    /**
     * The arcs of the circle that are above the floor and clear of the body, in radians.
     *
     * @return list<array{float, float}>
     */
    private function allowed(float $outside): array
    {
        // Height and distance from the midline go up and down once around the circle, so that each
        // allows one arc; their ends cut the circle into a few pieces, each allowed whole or not at all.
        $cuts = [];
        foreach ([[$this->centre->z, $this->across->z, $this->along->z, LegChain::HALF_KNEE], [$this->centre->y, $this->across->y, $this->along->y, $outside]] as [$middle, $cos, $sin, $least]) {
            $reach = $this->radius * hypot($cos, $sin);
            if ($reach > 0.0 && abs($least - $middle) < $reach) {
                $half = acos(($least - $middle) / $reach);
                $cuts[] = fmod(atan2($sin, $cos) - $half + 4 * M_PI, 2 * M_PI);
                $cuts[] = fmod(atan2($sin, $cos) + $half + 4 * M_PI, 2 * M_PI);
            }
        }
        sort($cuts);
        $cuts = [] === $cuts ? [0.0] : $cuts;
        $cuts[] = $cuts[0] + 2 * M_PI;
        $arcs = [];
        for ($i = 0; $i < count($cuts) - 1; ++$i) {
            $knee = $this->knee(($cuts[$i] + $cuts[$i + 1]) / 2);
            if ($cuts[$i + 1] > $cuts[$i] && $knee->z >= LegChain::HALF_KNEE && $knee->y >= $outside) {
                $arcs[] = [$cuts[$i], $cuts[$i + 1]];
            }
        }

        return $arcs;
    }

    /** @throws StraightKnee when rotation cannot be read there */
    public function pose(float $radians): LegPose
    {
        return LegChain::inverse($this->hip, $this->knee($radians), $this->ankle, $this->pelvicTilt);
    }

    /** Where on the circle a knee is, in radians. */
    public function place(Vector $knee): float
    {
        $from = $knee->minus($this->centre);

        return atan2($from->dot($this->along), $from->dot($this->across));
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

    /** What is the same all around the circle, for a search that asks for many of its places. */
    private function lookAlong(): void
    {
        $sitting = new Sitting(0.0, $this->pelvicTilt);
        $middle = $sitting->toPelvis($this->centre->minus($this->hip)->times(1 / $this->thigh))->toArray();
        $cos = $sitting->toPelvis($this->across->times($this->radius / $this->thigh))->toArray();
        $sin = $sitting->toPelvis($this->along->times($this->radius / $this->thigh))->toArray();
        $this->direction = [[$middle[0], $cos[0], $sin[0]], [$middle[1], $cos[1], $sin[1]], [$middle[2], $cos[2], $sin[2]]];
        $this->line = $sitting->toPelvis($this->ankle->minus($this->hip))->toArray();
        $this->ahead = $middle[0] * $this->line[0] + $middle[1] * $this->line[1] + $middle[2] * $this->line[2];
    }

    /**
     * The worst margin of the hip at a place of the circle, in degrees, without the leg being built there: every search
     * comes through here a hundred times. With the thigh's direction d and the line L from hip to ankle, in the pelvis's
     * axes, the rotation is atan2(d_y (d·L) − L_y, L_x d_z − L_z d_x), and d·L is the same all around. So is the knee's
     * angle: where it is the tightest every place would tie, and the answer be an accident; it has no part in the search.
     */
    private function margin(float $radians, Capacity $capacity): float
    {
        $cos = cos($radians);
        $sin = sin($radians);
        [$x, $y, $z] = $this->direction;
        $dx = $x[0] + $x[1] * $cos + $x[2] * $sin;
        $dy = $y[0] + $y[1] * $cos + $y[2] * $sin;
        $dz = $z[0] + $z[1] * $cos + $z[2] * $sin;
        // A knee behind its hip is nowhere that a foot is drawn in to.
        if ($dx < 0.0 && $dz < 0.0) {
            return -INF;
        }
        $worst = INF;
        if (null !== $capacity->flexion) {
            $flexion = atan2($dx, -$dz) * self::DEGREES;
            $worst = min($worst, $capacity->flexion - ($flexion <= -90.0 ? $flexion + 360.0 : $flexion));
        }
        if (null !== $capacity->abduction) {
            $worst = min($worst, $capacity->abduction - atan2($dy, sqrt($dx * $dx + $dz * $dz)) * self::DEGREES);
        }
        if (null !== $capacity->rotation) {
            [$lx, $ly, $lz] = $this->line;
            $worst = min($worst, $capacity->rotation - atan2($dy * $this->ahead - $ly, $lx * $dz - $lz * $dx) * self::DEGREES);
        }

        return $worst;
    }

    /**
     * The best place between two, by golden section.
     *
     * @return array{float, float} where, in radians, and its margin
     */
    private function climb(float $low, float $high, Capacity $capacity): array
    {
        $one = $high - self::GOLDEN * ($high - $low);
        $two = $low + self::GOLDEN * ($high - $low);
        $atOne = $this->margin($one, $capacity);
        $atTwo = $this->margin($two, $capacity);
        while ($high - $low > self::FINE) {
            if ($atOne > $atTwo) {
                [$high, $two, $atTwo] = [$two, $one, $atOne];
                $one = $high - self::GOLDEN * ($high - $low);
                $atOne = $this->margin($one, $capacity);
            } else {
                [$low, $one, $atOne] = [$one, $two, $atTwo];
                $two = $low + self::GOLDEN * ($high - $low);
                $atTwo = $this->margin($two, $capacity);
            }
        }

        return $atOne > $atTwo ? [$one, $atOne] : [$two, $atTwo];
    }
}
