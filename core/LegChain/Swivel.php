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
    /** Radians within which two places are one, and how far inside a stretch its ends are looked at. */
    private const FINE = 1e-9;
    private const INSIDE = 1e-9;
    /** Degrees within which two margins meet. */
    private const MEET = 1e-9;
    private const MOST_STEPS = 60;
    /** More than any margin, in degrees: of what nothing limits. */
    private const NO_LIMIT = 1e6;

    private const DEGREES = 180.0 / M_PI;

    /**
     * @var array{array{float, float, float}, array{float, float, float}, array{float, float, float}} the thigh's
     *     direction along each of the pelvis's axes: what stays, what goes with the cosine, with the sine
     */
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
        // Asked for at every step of an error, so in plain floats.
        [$lx, $ly, $lz] = [$ankle->x - $hip->x, $ankle->y - $hip->y, $ankle->z - $hip->z];
        $distance = sqrt($lx * $lx + $ly * $ly + $lz * $lz);
        if (
            0.0 === $distance
            || $distance > $body->thigh + $body->shin
            || $distance < abs($body->thigh - $body->shin)
        ) {
            throw OutOfReach::ankle();
        }
        $fromHip = ($body->thigh ** 2 - $body->shin ** 2 + $distance ** 2) / (2 * $distance);
        $radius = sqrt(max(0.0, $body->thigh ** 2 - $fromHip ** 2));
        if ($radius < 1e-6) {
            throw StraightKnee::rotationUnreadable();
        }
        $lx /= $distance;
        $ly /= $distance;
        $lz /= $distance;
        // Any direction that is not the axis's own will do to stand the circle's two axes on: up, or forward.
        if (abs($lz) < 0.9) {
            $level = sqrt($lx * $lx + $ly * $ly);
            $across = new Vector($ly / $level, -$lx / $level, 0.0);
        } else {
            $level = sqrt($ly * $ly + $lz * $lz);
            $across = new Vector(0.0, $lz / $level, -$ly / $level);
        }

        return new self(
            $hip,
            $ankle,
            new Vector($hip->x + $lx * $fromHip, $hip->y + $ly * $fromHip, $hip->z + $lz * $fromHip),
            $radius,
            $across,
            new Vector(
                $ly * $across->z - $lz * $across->y,
                $lz * $across->x - $lx * $across->z,
                $lx * $across->y - $ly * $across->x,
            ),
            $pelvicTilt,
            $body->thigh,
        );
    }

    /**
     * @param float $outside how far from the midline the knee has to stay, in cm, on its own side
     *
     * @return float where on the circle, in radians
     *
     * @throws OutOfReach when no point is above the floor and clear of the body
     */
    public function best(Capacity $capacity, float $outside = -INF): float
    {
        $this->lookAlong();
        $turns = $this->turns();
        $best = null;
        $margin = -INF;
        foreach ($this->allowed($outside) as [$from, $to]) {
            $cuts = [$from, $to];
            foreach ($turns as $turn) {
                $turn += 2 * M_PI * ceil(($from - $turn) / (2 * M_PI));
                if ($turn > $from && $turn < $to) {
                    $cuts[] = $turn;
                }
            }
            sort($cuts);
            for ($i = 1, $many = count($cuts); $i < $many; ++$i) {
                $found = $this->peak($cuts[$i - 1], $cuts[$i], $capacity, $margin);
                if (null !== $found) {
                    [$best, $margin] = $found;
                }
            }
        }
        if (null === $best) {
            throw OutOfReach::because('No place for the knee is above the floor and clear of the body.');
        }

        return $best;
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
        foreach (
            [
                [$this->centre->z, $this->across->z, $this->along->z, LegChain::HALF_KNEE],
                [$this->centre->y, $this->across->y, $this->along->y, $outside],
            ] as [$middle, $cos, $sin, $least]
        ) {
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
            [, $y, $z] = $this->knee(($cuts[$i] + $cuts[$i + 1]) / 2);
            if ($cuts[$i + 1] > $cuts[$i] && $z >= LegChain::HALF_KNEE && $y >= $outside) {
                $arcs[] = [$cuts[$i], $cuts[$i + 1]];
            }
        }

        return $arcs;
    }

    /** @throws StraightKnee when rotation cannot be read there */
    public function pose(float $radians): LegPose
    {
        return LegChain::inverse(
            $this->hip,
            new Vector(...$this->knee($radians)),
            $this->ankle,
            $this->pelvicTilt,
        );
    }

    /**
     * @return array{float, float, float, float, float, float, float, float, float} hip, knee and ankle at a place of
     *     the circle, x, y and z of each, in cm
     */
    public function joints(float $radians): array
    {
        [$x, $y, $z] = $this->knee($radians);

        return [
            $this->hip->x,
            $this->hip->y,
            $this->hip->z,
            $x,
            $y,
            $z,
            $this->ankle->x,
            $this->ankle->y,
            $this->ankle->z,
        ];
    }

    /**
     * @return array{float, float, float, float} flexion, abduction, rotation and knee flexion at a place of the circle,
     *     in degrees
     *
     * @throws StraightKnee when rotation cannot be read there
     */
    public function angles(float $radians): array
    {
        [$x, $y, $z] = $this->knee($radians);

        return LegChain::angles(
            $x - $this->hip->x,
            $y - $this->hip->y,
            $z - $this->hip->z,
            $this->ankle->x - $x,
            $this->ankle->y - $y,
            $this->ankle->z - $z,
            $this->pelvicTilt,
        ) ?? throw StraightKnee::rotationUnreadable();
    }

    /** Where on the circle a knee is, in radians. */
    public function place(Vector $knee): float
    {
        $from = $knee->minus($this->centre);

        return atan2($from->dot($this->along), $from->dot($this->across));
    }

    /** @return array{float, float, float} x, y and z of the knee at a place of the circle, in cm */
    public function knee(float $radians): array
    {
        $a = $this->radius * cos($radians);
        $b = $this->radius * sin($radians);

        return [
            $this->centre->x + $a * $this->across->x + $b * $this->along->x,
            $this->centre->y + $a * $this->across->y + $b * $this->along->y,
            $this->centre->z + $a * $this->across->z + $b * $this->along->z,
        ];
    }

    /** What is the same all around the circle, for a search that asks for many of its places. */
    private function lookAlong(): void
    {
        $sitting = new Sitting(0.0, $this->pelvicTilt);
        $middle = $sitting->toPelvis($this->centre->minus($this->hip)->times(1 / $this->thigh))->toArray();
        $cos = $sitting->toPelvis($this->across->times($this->radius / $this->thigh))->toArray();
        $sin = $sitting->toPelvis($this->along->times($this->radius / $this->thigh))->toArray();
        $this->direction = [
            [$middle[0], $cos[0], $sin[0]],
            [$middle[1], $cos[1], $sin[1]],
            [$middle[2], $cos[2], $sin[2]],
        ];
        $this->line = $sitting->toPelvis($this->ankle->minus($this->hip))->toArray();
        $this->ahead = $middle[0] * $this->line[0] + $middle[1] * $this->line[1] + $middle[2] * $this->line[2];
    }

    /**
     * Where on the circle flexion, abduction or rotation turns back or jumps, in radians: between two of these each of
     * them only grows or only falls. All come from terms a + b cos θ + c sin θ, and so do their slopes.
     *
     * @return list<float>
     */
    private function turns(): array
    {
        [$x, $y, $z] = $this->direction;
        [$lx, $ly, $lz] = $this->line;
        $backward = [-$z[0], -$z[1], -$z[2]];
        $turned = [$y[0] * $this->ahead - $ly, $y[1] * $this->ahead, $y[2] * $this->ahead];
        $ahead = [$lx * $z[0] - $lz * $x[0], $lx * $z[1] - $lz * $x[1], $lx * $z[2] - $lz * $x[2]];

        return [
            ...self::zeros(...self::slope($x, $backward)),
            ...self::zeros(0.0, $y[2], -$y[1]),
            ...self::zeros(...self::slope($turned, $ahead)),
            // Where the thigh passes straight up, down, ahead or back flexion begins anew, and rotation where it is
            // half a turn.
            ...self::zeros(...$x),
            ...self::zeros(...$z),
            ...self::zeros(...$turned),
        ];
    }

    /**
     * The slope of atan2(p, q) but for a factor above zero, for two such terms.
     *
     * @param array{float, float, float} $p
     * @param array{float, float, float} $q
     *
     * @return array{float, float, float} the same kind of term
     */
    private static function slope(array $p, array $q): array
    {
        return [$p[2] * $q[1] - $p[1] * $q[2], $p[2] * $q[0] - $p[0] * $q[2], $p[0] * $q[1] - $p[1] * $q[0]];
    }

    /** @return list<float> where a + b cos θ + c sin θ is zero */
    private static function zeros(float $a, float $b, float $c): array
    {
        $reach = hypot($b, $c);
        if (0.0 === $reach || abs($a) > $reach) {
            return [];
        }
        $middle = atan2($c, $b);
        $half = acos(-$a / $reach);

        return [$middle - $half, $middle + $half];
    }

    /**
     * The best place of a stretch on which no angle turns, if it is better than what was found. There the worst margin
     * is the least of some that grow and some that fall: best where these meet, or at an end.
     *
     * @return array{float, float}|null where, in radians, and its margin; null where nothing is better
     */
    private function peak(float $from, float $to, Capacity $capacity, float $than): ?array
    {
        // An angle that jumps does so at an end: what it is just inside counts.
        $low = $from + self::INSIDE;
        $high = $to - self::INSIDE;
        $atLow = $low < $high ? $this->margins($low, $capacity) : null;
        $atHigh = null === $atLow ? null : $this->margins($high, $capacity);
        if (
            null === $atLow
            || null === $atHigh
            || min(max($atLow[0], $atHigh[0]), max($atLow[1], $atHigh[1]), max($atLow[2], $atHigh[2])) <= $than
        ) {
            return null;
        }
        [$first, $second, $third] = [$atHigh[0] > $atLow[0], $atHigh[1] > $atLow[1], $atHigh[2] > $atLow[2]];
        [$below, $above] = [
            self::more($atLow, $first, $second, $third),
            self::more($atHigh, $first, $second, $third),
        ];
        if ($below >= 0.0) {
            [$place, $there] = [$low, min($atLow)];
        } elseif ($above <= 0.0) {
            [$place, $there] = [$high, min($atHigh)];
        } else {
            for ($step = 0; $step < self::MOST_STEPS && $high - $low > self::FINE; ++$step) {
                // Between the two on the line from one to the other; halved where that hardly moves.
                $place =
                    2 === $step % 3 ? ($low + $high) / 2 : $low + (($high - $low) * $below) / ($below - $above);
                $here = self::more($this->margins($place, $capacity) ?? $atLow, $first, $second, $third);
                if (abs($here) < self::MEET) {
                    break;
                }
                if ($here < 0.0) {
                    [$low, $below] = [$place, $here];
                } else {
                    [$high, $above] = [$place, $here];
                }
            }
            $place ??= $low;
            $there = min($this->margins($place, $capacity) ?? $atLow);
        }

        return $there > $than ? [$place, $there] : null;
    }

    /**
     * How much more there is of the margins that grow than of those that fall: this grows itself.
     *
     * @param array{float, float, float} $at degrees
     * @param bool $first whether the first grows, and so on
     */
    private static function more(array $at, bool $first, bool $second, bool $third): float
    {
        return min(
            $first ? $at[0] : self::NO_LIMIT,
            $second ? $at[1] : self::NO_LIMIT,
            $third ? $at[2] : self::NO_LIMIT,
        ) -
            min(
                $first ? self::NO_LIMIT : $at[0],
                $second ? self::NO_LIMIT : $at[1],
                $third ? self::NO_LIMIT : $at[2],
            );
    }

    /**
     * The margins of the hip at a place of the circle, in degrees, without the leg being built there: every search
     * comes through here. With the thigh's direction d and the line L from hip to ankle, in the pelvis's
     * axes, the rotation is atan2(d_y (d·L) − L_y, L_x d_z − L_z d_x), and d·L is the same all around. So is the knee's
     * angle: where it is the tightest every place would tie, and the answer be an accident; it has no part in the
     * search.
     *
     * @return array{float, float, float}|null of flexion, abduction and rotation; null where no knee goes
     */
    private function margins(float $radians, Capacity $capacity): ?array
    {
        $cos = cos($radians);
        $sin = sin($radians);
        [$x, $y, $z] = $this->direction;
        $dx = $x[0] + $x[1] * $cos + $x[2] * $sin;
        $dy = $y[0] + $y[1] * $cos + $y[2] * $sin;
        $dz = $z[0] + $z[1] * $cos + $z[2] * $sin;
        // A knee behind its hip is nowhere that a foot is drawn in to.
        if ($dx < 0.0 && $dz < 0.0) {
            return null;
        }
        $flexion = null === $capacity->flexion ? 0.0 : atan2($dx, -$dz) * self::DEGREES;

        return [
            null === $capacity->flexion
                ? self::NO_LIMIT
                : $capacity->flexion - ($flexion <= -90.0 ? $flexion + 360.0 : $flexion),
            null === $capacity->abduction
                ? self::NO_LIMIT
                : $capacity->abduction - atan2($dy, sqrt($dx * $dx + $dz * $dz)) * self::DEGREES,
            null === $capacity->rotation
                ? self::NO_LIMIT
                : $capacity->rotation -
                    atan2($dy * $this->ahead - $this->line[1], $this->line[0] * $dz - $this->line[2] * $dx) *
                        self::DEGREES,
        ];
    }
}
