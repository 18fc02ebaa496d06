<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

use function acos;
use function atan2;
use function cos;
use function deg2rad;
use function sin;
use function sqrt;

/**
 * The leg as a chain: pelvis, hip, thigh, knee, shin, ankle.
 *
 * Ground frame as in Vector. A pelvis tilted by φ (anterior positive) has the axes X = (cos φ, 0, −sin φ), Y = (0, 1,
 * 0), Z = (sin φ, 0, cos φ) in it. Angles are in the pelvis's frame: degrees outside, radians inside.
 */
final class LegChain
{
    /**
     * Half the thickness of a knee, in cm: its centre comes no nearer to the floor, nor to what it lies on (this
     * product's own).
     */
    public const HALF_KNEE = 5;

    /** Below this sine of the knee's angle, squared, thigh and shin are taken to lie in one line. */
    private const IN_LINE = 1e-10;

    private const DEGREES = 180.0 / M_PI;

    /** Where knee and ankle are, for these joint angles. */
    public static function forward(Body $body, Sitting $sitting, LegAngles $angles): LegPose
    {
        $f = deg2rad($angles->flexion);
        $a = deg2rad($angles->abduction);
        $r = deg2rad($angles->rotation);
        $k = deg2rad($angles->kneeFlexion);
        [$sf, $cf, $sa, $ca] = [sin($f), cos($f), sin($a), cos($a)];

        $thigh = new Vector($ca * $sf, $sa, -$ca * $cf);
        $front = new Vector($cf, 0.0, $sf);
        $outside = new Vector(-$sa * $sf, $ca, $sa * $cf);
        $turnedFront = $front->times(cos($r))->plus($outside->times(sin($r)));
        $shin = $thigh->times(cos($k))->minus($turnedFront->times(sin($k)));

        $hip = $sitting->hip($body);
        $knee = $hip->plus($sitting->toGround($thigh)->times($body->thigh));
        $ankle = $knee->plus($sitting->toGround($shin)->times($body->shin));

        return new LegPose($angles, $hip, $knee, $ankle);
    }

    /**
     * The joint angles of a leg whose hip, knee and ankle are at these points (cm, ground frame).
     * Flexion comes out in (−90°, 270°], so that deep folds do not change sign.
     *
     * @throws StraightKnee when thigh and shin lie in one line
     */
    public static function inverse(Vector $hip, Vector $knee, Vector $ankle, float $pelvicTilt): LegPose
    {
        $angles =
            self::angles(
                $knee->x - $hip->x,
                $knee->y - $hip->y,
                $knee->z - $hip->z,
                $ankle->x - $knee->x,
                $ankle->y - $knee->y,
                $ankle->z - $knee->z,
                $pelvicTilt,
            ) ?? throw StraightKnee::rotationUnreadable();

        return new LegPose(new LegAngles($angles[0], $angles[1], $angles[2], $angles[3]), $hip, $knee, $ankle);
    }

    /**
     * The same in plain floats, with nothing built: every reading, error, search and plan passes through here many
     * times.
     *
     * @param float $dx the thigh from hip to knee, in the ground frame, of any length but none
     * @param float $sx the shin from knee to ankle, the same
     * @param float $pelvicTilt degrees
     *
     * @return array{float, float, float, float}|null flexion, abduction, rotation and knee flexion in degrees; null
     *     when thigh and shin lie in one line
     */
    public static function angles(
        float $dx,
        float $dy,
        float $dz,
        float $sx,
        float $sy,
        float $sz,
        float $pelvicTilt,
    ): ?array {
        if (0.0 !== $pelvicTilt) {
            $tilt = deg2rad($pelvicTilt);
            $sin = sin($tilt);
            $cos = cos($tilt);
            [$dx, $dz, $sx, $sz] = [
                $cos * $dx - $sin * $dz,
                $sin * $dx + $cos * $dz,
                $cos * $sx - $sin * $sz,
                $sin * $sx + $cos * $sz,
            ];
        }
        $level = $dx * $dx + $dz * $dz;
        $t = sqrt($level + $dy * $dy);
        $length = $t * sqrt($sx * $sx + $sy * $sy + $sz * $sz);
        if (0.0 === $length) {
            return null;
        }
        $inLevel = $dx * $sx + $dz * $sz;
        $cosK = ($inLevel + $dy * $sy) / $length;
        if (1.0 - $cosK * $cosK < self::IN_LINE) {
            return null;
        }
        $f = atan2($dx, -$dz);
        // The front of the thigh is what is left of the shin, turned round, beside the thigh. Its parts along the
        // unturned
        // front (cos f, 0, sin f) and the outside (−sin a sin f, cos a, sin a cos f) give the rotation; what both are
        // divided by does not turn them, so they stand here times the thigh, and times its share in the level of
        // flexion.
        if ($level > 0.0) {
            $outside = $dy * $inLevel - $level * $sy;
            $front = $t * ($dz * $sx - $dx * $sz);
        } else {
            $outside = $dy * (sin($f) * $sx - cos($f) * $sz);
            $front = -$t * (cos($f) * $sx + sin($f) * $sz);
        }
        $flexion = $f * self::DEGREES;

        return [
            $flexion <= -90.0 ? $flexion + 360.0 : $flexion,
            atan2($dy, sqrt($level)) * self::DEGREES,
            atan2($outside, $front) * self::DEGREES,
            acos($cosK) * self::DEGREES,
        ];
    }
}
