<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Contact\AnkleContact;

use function sqrt;

/**
 * An ankle contact whose knee was measured, or is held, at a height above the floor (the knee's
 * centre, in cm). Of the two points of the swivel at that height, the knee is at the outer one.
 */
final readonly class KneeAtHeight implements ChainReading, Posture
{
    use IsReadByJoints;

    /** Two circles that miss each other by no more than rounding touch: the leg is straight there. */
    private const TOUCHING = 1e-12;

    /** @throws InvalidValue when the height is negative or not finite */
    public function __construct(public AnkleContact $contact, public float $kneeHeight)
    {
        // Asked for at every step of a search, so the guard is called only when it has something to say.
        if (!($kneeHeight >= 0.0 && $kneeHeight <= Check::MOST)) {
            Check::notNegative('kneeHeight', $kneeHeight);
        }
    }

    public function joints(Body $body): array
    {
        $hip = $this->contact->hip($body);
        $ankle = $this->contact->ankle($body);
        $knee = $this->kneeBetween($hip, $ankle, $body);

        return [$hip->x, $hip->y, $hip->z, $knee[0], $knee[1], $this->kneeHeight, $ankle->x, $ankle->y, $ankle->z];
    }

    /** Read more often than any other: hip and ankle, once made, serve the pose as well. */
    public function pose(Body $body): LegPose
    {
        $hip = $this->contact->hip($body);
        $ankle = $this->contact->ankle($body);
        $knee = $this->kneeBetween($hip, $ankle, $body);

        return LegChain::inverse(
            $hip,
            new Vector($knee[0], $knee[1], $this->kneeHeight),
            $ankle,
            $this->contact->sitting()->pelvicTilt,
        );
    }

    /**
     * @return array{float, float} its x and y
     *
     * @throws OutOfReach
     */
    private function kneeBetween(Vector $hip, Vector $ankle, Body $body): array
    {
        return self::knee(
            $hip->x,
            $hip->y,
            $hip->z,
            $ankle->x,
            $ankle->y,
            $ankle->z,
            $body->thigh,
            $body->shin,
            $this->kneeHeight,
        ) ?? throw OutOfReach::kneeHeight($this->kneeHeight);
    }

    public function pelvicTilt(): float
    {
        return $this->contact->sitting()->pelvicTilt;
    }

    public function readingErrors(): array
    {
        return ['kneeHeight' => Reading::TAPE_ERROR] + $this->contact->readingErrors();
    }

    public function props(): array
    {
        return ['kneeHeight' => $this->kneeHeight] + $this->contact->props();
    }

    public function shifted(string $name, float $by): static
    {
        return 'kneeHeight' === $name
            ? new self($this->contact, $this->kneeHeight + $by)
            : new self($this->contact->shifted($name, $by), $this->kneeHeight);
    }

    /**
     * @return array{float, float, float, float, float, float, float, float, float, float} the hip's and the ankle's x,
     *     y and z, the thigh, the shin and the knee's height, all in cm, and the pelvic tilt in degrees
     */
    public function leg(Body $body): array
    {
        $hip = $this->contact->hip($body);
        $ankle = $this->contact->ankle($body);

        return [
            $hip->x,
            $hip->y,
            $hip->z,
            $ankle->x,
            $ankle->y,
            $ankle->z,
            $body->thigh,
            $body->shin,
            $this->kneeHeight,
            $this->contact->sitting()->pelvicTilt,
        ];
    }

    /**
     * The angles of many legs at once in plain floats, each with its knee at a height.
     *
     * @param list<array{float, float, float, float, float, float, float, float, float, float}> $legs as leg() has each
     *
     * @return list<array{float, float, float, float}|null> flexion, abduction, rotation and knee flexion in degrees,
     *     one by one; null where no such leg can be made, or its rotation not be read
     */
    public static function batch(array $legs): array
    {
        $angles = [];
        foreach ($legs as [$hx, $hy, $hz, $ax, $ay, $az, $thigh, $shin, $height, $tilt]) {
            $knee = self::knee($hx, $hy, $hz, $ax, $ay, $az, $thigh, $shin, $height);
            $angles[] =
                null === $knee
                    ? null
                    : LegChain::angles(
                        $knee[0] - $hx,
                        $knee[1] - $hy,
                        $height - $hz,
                        $ax - $knee[0],
                        $ay - $knee[1],
                        $az - $height,
                        $tilt,
                    );
        }

        return $angles;
    }

    /**
     * The outer of the points at this height that are a thigh from the hip and a shin from the ankle, all in cm. It
     * holds for any three axes: of the points on a plane across the third, the one farther along the second.
     *
     * @return array{float, float}|null its x and y; null when there is none
     */
    public static function knee(
        float $hx,
        float $hy,
        float $hz,
        float $ax,
        float $ay,
        float $az,
        float $thigh,
        float $shin,
        float $height,
    ): ?array {
        // At a given height each segment draws a circle on the level plane; the knee is where the two meet.
        $fromHip = $thigh * $thigh - ($height - $hz) * ($height - $hz);
        $fromAnkle = $shin * $shin - ($height - $az) * ($height - $az);
        $dx = $ax - $hx;
        $dy = $ay - $hy;
        $apart = $dx * $dx + $dy * $dy;
        if ($fromHip < 0.0 || $fromAnkle < 0.0 || 0.0 === $apart) {
            return null;
        }
        $along = ($fromHip - $fromAnkle + $apart) / (2 * $apart);
        $aside = $fromHip / $apart - $along * $along;
        if ($aside < -self::TOUCHING) {
            return null;
        }
        // The outer point has the greater y, so it lies to that side of the line on which y grows.
        $aside = $aside > 0.0 ? ($dx < 0.0 ? -sqrt($aside) : sqrt($aside)) : 0.0;

        return [$hx + $along * $dx - $aside * $dy, $hy + $along * $dy + $aside * $dx];
    }
}
