<?php

declare(strict_types=1);

namespace LucidAscent\Core\Picture;

/** A line or an angle of a shape that a picture is judged by. */
enum JudgedLine: string
{
    case HipsSquare = 'hips-square';
    case ShouldersLevel = 'shoulders-level';
    case SpineLong = 'spine-long';
    case AnkleInLine = 'ankle-in-line';
    case Shin = 'shin';
    case OtherShin = 'other-shin';
    case Knee = 'knee';

    /** How far from the drawing a line may be, in degrees; for an ankle as for all others. This product's own. */
    public const TOLERANCE = 10.0;

    /** @return list<Landmark> two of a line against the level, three of an angle between two lines */
    public function landmarks(): array
    {
        return match ($this) {
            self::HipsSquare => [Landmark::Hip, Landmark::OtherHip],
            self::ShouldersLevel => [Landmark::Shoulder, Landmark::OtherShoulder],
            self::SpineLong => [Landmark::Pelvis, Landmark::Back, Landmark::Neck],
            self::AnkleInLine => [Landmark::Knee, Landmark::Ankle, Landmark::Toe],
            self::Shin => [Landmark::Knee, Landmark::Ankle],
            self::OtherShin => [Landmark::OtherKnee, Landmark::OtherAnkle],
            self::Knee => [Landmark::Hip, Landmark::Knee, Landmark::Ankle],
        };
    }

    public function needsLevel(): bool
    {
        return 2 === count($this->landmarks());
    }

    /**
     * In degrees: from 0 to 90 against the level, from 0 (straight on) to 180 between two lines.
     *
     * @param array<string, array{float, float}> $points by landmark, x to the right, y down
     */
    public function degrees(array $points): float
    {
        $at = array_map(static fn (Landmark $one): array => $points[$one->value], $this->landmarks());
        if (isset($at[2])) {
            return self::between(self::way($at[0], $at[1]), self::way($at[1], $at[2]));
        }
        $between = self::between(
            self::way($at[0], $at[1]),
            self::way($points[Landmark::LevelA->value], $points[Landmark::LevelB->value]),
        );

        return min($between, 180.0 - $between);
    }

    /**
     * Those that a shape is judged by: of what people do wrong in it; square hips and the shin of every one, the ankle
     * of every folded knee.
     *
     * @param list<string> $faults ids of compensations
     * @param bool $isFolded whether the knee that works is folded
     *
     * @return list<self>
     */
    public static function of(array $faults, bool $isFolded = false): array
    {
        return array_values(
            array_filter(
                self::cases(),
                static fn (self $line): bool => in_array($line, [self::HipsSquare, self::Shin], true)
                    || ($isFolded && self::AnkleInLine === $line)
                    || [] !== array_intersect($line->faults(), $faults),
            ),
        );
    }

    /** @return list<string> the compensations that it shows */
    private function faults(): array
    {
        return match ($this) {
            self::HipsSquare, self::Shin => [],
            self::ShouldersLevel => ['shoulder-rolls', 'shoulders-lift', 'leans-aside', 'hip-hikes'],
            self::SpineLong => ['back-rounds', 'back-arches', 'ribs-flare', 'leans-back', 'pelvis-tucks', 'ribs-lead'],
            self::AnkleInLine => ['ankle-sickles', 'ankle-slid', 'foot-tucked', 'feet-fall-in'],
            self::OtherShin => ['hips-askew', 'sits-ahead', 'knees-off-line'],
            self::Knee => ['knee-bends', 'knees-bend', 'knee-falls-in', 'knee-swings', 'knee-opens'],
        };
    }

    /**
     * @param array{float, float} $from
     * @param array{float, float} $to
     *
     * @return array{float, float}
     */
    private static function way(array $from, array $to): array
    {
        return [$to[0] - $from[0], $to[1] - $from[1]];
    }

    /**
     * @param array{float, float} $one
     * @param array{float, float} $other
     */
    private static function between(array $one, array $other): float
    {
        return abs(
            rad2deg(
                atan2($one[0] * $other[1] - $one[1] * $other[0], $one[0] * $other[0] + $one[1] * $other[1]),
            ),
        );
    }
}
