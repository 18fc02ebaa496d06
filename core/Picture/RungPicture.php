<?php

declare(strict_types=1);

namespace LucidAscent\Core\Picture;

use LucidAscent\Core\Figure\Figure;

/** Landmarks on a picture of a rung, read against the figure of the rung seen from the same side. */
final readonly class RungPicture
{
    /** So many have to be marked. */
    public const LEAST = 7;

    /** One SD of where a point is put, as a share of the picture's longer edge. */
    private const POINT_SHARE = 0.003;
    /** One SD by which a camera looks past square, sideways and downwards, in degrees. */
    private const PAST_SQUARE = 5.0;
    /** A line that is seen shorter than this share of it points at the camera: nothing is read of it from there. */
    private const SHORTENED = 0.35;
    /** What no turning and scaling of the figure explains of how points are spread: beyond, it is another shape. */
    private const OTHER_SHAPE = 0.3;

    /**
     * @param array<string, array{float, float}> $points by landmark, in pixels
     *
     * @throws UnreadPicture when they are too few, two of one line are one, or they are not of this shape
     */
    private function __construct(
        private Figure $target,
        private CameraView $view,
        private array $points,
        private float $longerEdge,
    ) {
        if (count($points) < self::LEAST) {
            throw UnreadPicture::fewPoints();
        }
    }

    /**
     * @param array<string, array{float, float}> $points by landmark, in pixels
     * @param float $longerEdge of the picture, in pixels
     * @param list<JudgedLine> $lines
     *
     * @return non-empty-list<ReadLine>
     *
     * @throws UnreadPicture when they are too few, two of one line are one, or they are not of this shape
     */
    public static function read(
        Figure $target,
        CameraView $view,
        array $points,
        float $longerEdge,
        array $lines,
    ): array {
        $picture = new self($target, $view, $points, $longerEdge);
        $read = [];
        foreach (self::seen($target, $view, $lines) as $line) {
            $needs = array_map(static fn (Landmark $one): string => $one->value, [
                ...$line->landmarks(),
                ...$line->needsLevel() ? [Landmark::LevelA, Landmark::LevelB] : [],
            ]);
            if ([] === array_diff($needs, array_keys($points))) {
                $picture->checkApart($needs);
                $read[] = $picture->line($line);
            }
        }
        if ([] === $read) {
            throw UnreadPicture::noLine();
        }
        $picture->checkShape();

        return $read;
    }

    /**
     * Those that can be seen from there.
     *
     * @param list<JudgedLine> $lines
     *
     * @return list<JudgedLine>
     */
    public static function seen(Figure $target, CameraView $view, array $lines): array
    {
        $isSeen = static function (Landmark $from, Landmark $to) use ($target, $view): bool {
            [$one, $other] = [$from->on($target), $to->on($target)];
            if (null === $one || null === $other) {
                return false;
            }
            [[$x, $y], [$u, $v]] = [$view->at($one), $view->at($other)];

            return hypot($u - $x, $v - $y) >= self::SHORTENED * $other->minus($one)->length();
        };

        return array_values(
            array_filter($lines, static function (JudgedLine $line) use ($isSeen): bool {
                $at = $line->landmarks();

                return $isSeen($at[0], $at[1]) && (!isset($at[2]) || $isSeen($at[1], $at[2]));
            }),
        );
    }

    private function line(JudgedLine $line): ReadLine
    {
        $here = $line->degrees($this->points);
        $variance = 0.0;
        $sd = self::POINT_SHARE * $this->longerEdge;
        foreach (array_keys($this->points) as $name) {
            foreach ([0, 1] as $axis) {
                [$x, $y] = $this->points[$name];
                $moved = [$name => [$x + (0 === $axis ? $sd : 0.0), $y + (1 === $axis ? $sd : 0.0)]] + $this->points;
                $variance += ($line->degrees($moved) - $here) ** 2;
            }
        }
        $drawn = $line->degrees($this->drawn(0.0, 0.0));
        foreach ([[self::PAST_SQUARE, 0.0], [0.0, self::PAST_SQUARE]] as [$yaw, $pitch]) {
            $variance += max(
                abs($line->degrees($this->drawn($yaw, $pitch)) - $drawn),
                abs($line->degrees($this->drawn(-$yaw, -$pitch)) - $drawn),
            ) ** 2;
        }

        return new ReadLine($line, $here, $drawn, sqrt($variance));
    }

    /** @return array<string, array{float, float}> the figure's landmarks, in cm, with what is level there */
    private function drawn(float $yaw, float $pitch): array
    {
        $points = [Landmark::LevelA->value => [0.0, 0.0], Landmark::LevelB->value => [1.0, 0.0]];
        foreach (Landmark::cases() as $landmark) {
            $at = $landmark->on($this->target);
            if (null !== $at) {
                $points[$landmark->value] = $this->view->at($at, $yaw, $pitch);
            }
        }

        return $points;
    }

    /** @param list<string> $names */
    private function checkApart(array $names): void
    {
        foreach (array_slice($names, 1) as $i => $name) {
            [$one, $other] = [$this->points[$names[$i]], $this->points[$name]];
            if (hypot($one[0] - $other[0], $one[1] - $other[1]) < 2.0) {
                throw UnreadPicture::onePoint();
            }
        }
    }

    /** Turned, scaled and mirrored as suits it best the figure lies on the points, or they are of something else. */
    private function checkShape(): void
    {
        $drawn = $this->drawn(0.0, 0.0);
        $names = array_values(
            array_filter(
                array_keys($this->points),
                fn (string $name): bool => null !== Landmark::from($name)->on($this->target),
            ),
        );
        [$marked, $figure] = [
            self::centred(array_map(fn (string $name): array => $this->points[$name], $names)),
            self::centred(array_map(static fn (string $name): array => $drawn[$name], $names)),
        ];
        $explained = max(
            self::likeness($marked, $figure),
            self::likeness($marked, array_map(static fn (array $at): array => [-$at[0], $at[1]], $figure)),
        );
        if (1.0 - $explained > self::OTHER_SHAPE) {
            throw UnreadPicture::otherShape();
        }
    }

    /**
     * The share of how some points are spread that others explain, turned and scaled (1 for all of it).
     *
     * @param list<array{float, float}> $points about their middle
     * @param list<array{float, float}> $others likewise
     */
    private static function likeness(array $points, array $others): float
    {
        $real = $imaginary = $spread = $ofOthers = 0.0;
        foreach ($points as $i => [$x, $y]) {
            [$u, $v] = $others[$i];
            $real += $u * $x + $v * $y;
            $imaginary += $u * $y - $v * $x;
            $spread += $x * $x + $y * $y;
            $ofOthers += $u * $u + $v * $v;
        }

        return ($real ** 2 + $imaginary ** 2) / max(1e-12, $spread * $ofOthers);
    }

    /**
     * @param list<array{float, float}> $points
     *
     * @return list<array{float, float}>
     */
    private static function centred(array $points): array
    {
        $many = max(1, count($points));
        [$x, $y] = [array_sum(array_column($points, 0)) / $many, array_sum(array_column($points, 1)) / $many];

        return array_map(static fn (array $at): array => [$at[0] - $x, $at[1] - $y], $points);
    }
}
