<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;

/**
 * Heights and angles off a picture: hip, knee and ankle marked, a floor line, and a known length
 * at the same distance from the camera. Points in pixels, x to the right, y down.
 *
 * The floor line takes the camera's roll away. What is left is where the points were put (a few
 * pixels each), and that the camera did not look square at the leg; both errors are this product's
 * own figures.
 */
final readonly class PhotoLandmarks
{
    public const POINTS = ['hip', 'knee', 'ankle', 'floorA', 'floorB', 'knownA', 'knownB'];

    /** One SD of where a point is put, as a share of the picture's longer edge, and at least so many pixels. */
    private const PIXEL_SHARE = 0.003;
    private const LEAST_PIXELS = 1.5;
    /** Of no picture is an edge longer, and no point of it further out. */
    private const MOST_PIXELS = 1e9;
    /** One SD by which the camera looks past square, in degrees: it shortens lengths and turns angles. */
    private const TILT = 5.0;
    /** The leg and the known length are not at quite the same distance: one SD of the scale. */
    private const DEPTH_SHARE = 0.02;

    /**
     * @param array<string, array{float, float}> $points by the names of POINTS
     * @param float $known in cm
     *
     * @throws InvalidValue when a point is missing or not finite, or two that span a line are one
     */
    public function __construct(private array $points, private float $known, private float $longerEdge)
    {
        foreach (self::POINTS as $name) {
            [$x, $y] = $points[$name] ?? throw InvalidValue::missing($name);
            Check::within($name, $x, -self::MOST_PIXELS, self::MOST_PIXELS, 'pixels');
            Check::within($name, $y, -self::MOST_PIXELS, self::MOST_PIXELS, 'pixels');
        }
        Check::positive('known', $known);
        Check::within('longerEdge', $longerEdge, 1.0, self::MOST_PIXELS, 'pixels');
        foreach ([['floorA', 'floorB'], ['knownA', 'knownB'], ['knee', 'ankle'], ['hip', 'knee']] as [$one, $other]) {
            if (self::distance($points[$one], $points[$other]) < 2.0) {
                throw InvalidValue::because($one, sprintf('and %s are one point: set them apart.', $other));
            }
        }
    }

    /**
     * @return array<string, array{value: float, sd: float, unit: string}> heights of the three joint centres above the
     *     floor and the level distance from hip to
     *     ankle, in cm; inclination of shin and thigh
     *     to the floor and
     *     the bend of the knee, in degrees
     */
    public function measured(): array
    {
        $centre = self::values($this->points, $this->known);
        $pixel = max(self::LEAST_PIXELS, self::PIXEL_SHARE * $this->longerEdge);
        $variance = array_fill_keys(array_keys($centre), 0.0);
        foreach (self::POINTS as $name) {
            foreach ([0, 1] as $axis) {
                $moved = $this->points;
                $moved[$name] = [
                    $moved[$name][0] + (0 === $axis ? $pixel : 0.0),
                    $moved[$name][1] + (1 === $axis ? $pixel : 0.0),
                ];
                foreach (self::values($moved, $this->known) as $what => $value) {
                    $variance[$what] += ($value - $centre[$what]) ** 2;
                }
            }
        }
        $answer = [];
        foreach ($centre as $what => $value) {
            $isAngle = in_array($what, ['shinAngle', 'thighAngle', 'kneeBend'], true);
            $camera = $isAngle
                ? (self::TILT * abs(sin(deg2rad(2 * $value)))) / 2
                : $value * hypot(1 - cos(deg2rad(self::TILT)), self::DEPTH_SHARE);
            $answer[$what] = [
                'value' => $value,
                'sd' => sqrt($variance[$what] + $camera ** 2),
                'unit' => $isAngle ? 'degrees' : 'cm',
            ];
        }

        return $answer;
    }

    /**
     * @param array<string, array{float, float}> $p
     *
     * @return array<string, float>
     */
    private static function values(array $p, float $known): array
    {
        $scale = $known / self::distance($p['knownA'], $p['knownB']);
        $placed = [];
        foreach (['hip', 'knee', 'ankle'] as $name) {
            $placed[$name] = self::aboveFloor($p['floorA'], $p['floorB'], $p[$name]);
        }
        // Up is the side of the floor line on which the hip is.
        $sign = $placed['hip'][1] < 0.0 ? -1.0 : 1.0;
        [$hip, $knee, $ankle] = array_values(array_map(static fn (array $q): array => [$q[0], $sign * $q[1]], $placed));
        $thigh = [$knee[0] - $hip[0], $knee[1] - $hip[1]];
        $shin = [$ankle[0] - $knee[0], $ankle[1] - $knee[1]];
        $cosine = ($thigh[0] * $shin[0] + $thigh[1] * $shin[1]) / (hypot(...$thigh) * hypot(...$shin));

        return [
            'kneeHeight' => $scale * $knee[1],
            'ankleHeight' => $scale * $ankle[1],
            'hipHeight' => $scale * $hip[1],
            'hipToAnkle' => $scale * self::distance($p['hip'], $p['ankle']),
            'shinAngle' => rad2deg(atan2(abs($shin[1]), abs($shin[0]))),
            'thighAngle' => rad2deg(atan2(abs($thigh[1]), abs($thigh[0]))),
            'kneeBend' => rad2deg(acos(max(-1.0, min(1.0, $cosine)))),
        ];
    }

    /**
     * Along the floor line, and to one side of it, in pixels.
     *
     * @param array{float, float} $one
     * @param array{float, float} $other
     * @param array{float, float} $point
     *
     * @return array{float, float}
     */
    private static function aboveFloor(array $one, array $other, array $point): array
    {
        $length = self::distance($one, $other);
        [$ex, $ey] = [($other[0] - $one[0]) / $length, ($other[1] - $one[1]) / $length];
        [$dx, $dy] = [$point[0] - $one[0], $point[1] - $one[1]];

        return [$dx * $ex + $dy * $ey, $dx * $ey - $dy * $ex];
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     */
    private static function distance(array $a, array $b): float
    {
        return hypot($b[0] - $a[0], $b[1] - $a[1]);
    }
}
