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
 * Ground frame as in Vector. A pelvis tilted by φ (anterior positive) has the axes
 * X = (cos φ, 0, −sin φ), Y = (0, 1, 0), Z = (sin φ, 0, cos φ) in it. Angles are in the
 * pelvis's frame: degrees outside, radians inside.
 */
final class LegChain
{
    /** Half the thickness of a knee, in cm: its centre comes no nearer to the floor, nor to what it lies on (this product's own). */
    public const HALF_KNEE = 5;

    /** Below this sine of the knee's angle, thigh and shin are taken to lie in one line. */
    private const IN_LINE = 1e-5;

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
        // Written out in plain floats: every reading, error and plan passes through here many times.
        $tx = $knee->x - $hip->x;
        $dy = $knee->y - $hip->y;
        $tz = $knee->z - $hip->z;
        $ux = $ankle->x - $knee->x;
        $sy = $ankle->y - $knee->y;
        $uz = $ankle->z - $knee->z;
        if (0.0 === $pelvicTilt) {
            $dx = $tx;
            $dz = $tz;
            $sx = $ux;
            $sz = $uz;
        } else {
            $tilt = deg2rad($pelvicTilt);
            $sin = sin($tilt);
            $cos = cos($tilt);
            $dx = $cos * $tx - $sin * $tz;
            $dz = $sin * $tx + $cos * $tz;
            $sx = $cos * $ux - $sin * $uz;
            $sz = $sin * $ux + $cos * $uz;
        }
        $t = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
        $s = sqrt($sx * $sx + $sy * $sy + $sz * $sz);
        if (0.0 === $t || 0.0 === $s) {
            throw StraightKnee::rotationUnreadable();
        }
        $dx /= $t;
        $dy /= $t;
        $dz /= $t;
        $sx /= $s;
        $sy /= $s;
        $sz /= $s;

        // The cosine and sine of the knee's angle, and of abduction and flexion, are at hand without
        // asking for the angle first. Written so that rounding past one cannot spoil a root.
        $cosK = $dx * $sx + $dy * $sy + $dz * $sz;
        $sinK = $cosK * $cosK < 1.0 ? sqrt(1.0 - $cosK * $cosK) : 0.0;
        if ($sinK < self::IN_LINE) {
            throw StraightKnee::rotationUnreadable();
        }
        $sinA = $dy;
        $cosA = sqrt($dx * $dx + $dz * $dz);
        $f = atan2($dx, -$dz);
        $sinF = $cosA > 0.0 ? $dx / $cosA : sin($f);
        $cosF = $cosA > 0.0 ? -$dz / $cosA : cos($f);

        // u, the front of the thigh, is −(s − cos k d)/sin k; its parts along the unturned front
        // (cos f, 0, sin f) and the outside (−sin a sin f, cos a, sin a cos f) give the rotation.
        // Both axes are at right angles to d, so the part with cos k d falls away.
        $alongFront = -($sx * $cosF + $sz * $sinF) / $sinK;
        $alongOutside = -(-$sinA * $sinF * $sx + $cosA * $sy + $sinA * $cosF * $sz) / $sinK;

        $flexion = $f * self::DEGREES;
        if ($flexion <= -90.0) {
            $flexion += 360.0;
        }

        return new LegPose(
            new LegAngles(
                $flexion,
                atan2($sinA, $cosA) * self::DEGREES,
                atan2($alongOutside, $alongFront) * self::DEGREES,
                acos($cosK) * self::DEGREES,
            ),
            $hip,
            $knee,
            $ankle,
        );
    }
}
