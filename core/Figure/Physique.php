<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Body\UpperLengths;

/**
 * The lengths and thicknesses of one person's body, in cm. Legs as they were measured, or estimated from stature;
 * torso and arms likewise (UpperLengths). What else there is (shoulder width, neck, head,
 * hand, foot) is after Drillis and Contini (1966) as tabulated by Winter, from memory; all thicknesses are this
 * product's own.
 */
final readonly class Physique
{
    /** The stature for which thicknesses are written down, in cm. */
    private const STATURE = 170.0;

    /** Half thickness in cm of a body of that stature, at both ends of each segment. */
    private const RADII = [
        'hips' => [8.6, 8.6],
        'pelvis' => [11.5, 10.6],
        'waist' => [10.6, 12.2],
        'chest' => [12.2, 4.6],
        'shoulders' => [5.2, 5.2],
        'neck' => [4.4, 4.4],
        'head' => [8.2, 5.0],
        'thigh' => [8.6, 5.4],
        'shin' => [5.4, 3.5],
        'foot' => [3.4, 2.2],
        'upper-arm' => [4.8, 3.8],
        'forearm' => [3.8, 2.7],
        'hand' => [2.8, 1.8],
    ];

    private function __construct(public Proportions $proportions, public float $stature)
    {
    }

    public static function of(Proportions $proportions): self
    {
        return new self($proportions, $proportions->stature->cm);
    }

    public function leg(Side $side): Body
    {
        return $this->proportions->body($side);
    }

    /** So many hundredths of the stature, in cm. */
    public function hundredths(float $share): float
    {
        return $share * $this->stature / 100.0;
    }

    /** Each of the three parts of the spine, from between the hips to the base of the neck. */
    public function spinePart(): float
    {
        return $this->upper(Side::Left)->torso / 3.0;
    }

    /** From the base of the neck to the middle of the head. */
    public function neck(): float
    {
        return $this->hundredths(9.2);
    }

    /** From the midline to the joint of the shoulder. */
    public function shoulder(): float
    {
        return $this->hundredths(10.2);
    }

    /** Torso and arm of a side, in cm. */
    public function upper(Side $side): UpperLengths
    {
        return $this->proportions->upper($side);
    }

    /** In cm. */
    public function hand(): float
    {
        return $this->hundredths(6.5);
    }

    /** From the ankle to the ball of the foot. */
    public function foot(): float
    {
        return $this->hundredths(9.5);
    }

    /** From the ankle back to the heel. */
    public function heel(): float
    {
        return $this->hundredths(1.4);
    }

    /** Half thickness of the body about one of its points, in cm. */
    public function thickness(string $point): float
    {
        $bare = str_starts_with($point, 'other-') ? substr($point, 6) : $point;

        return $this->radii(match ($bare) {
            'knee' => 'shin',
            'ankle', 'heel' => 'foot',
            'toe' => 'hand',
            'wrist', 'hand' => 'hand',
            'elbow' => 'forearm',
            'shoulder' => 'upper-arm',
            'hip' => 'hips',
            'chin', 'nose', 'crown' => 'head',
            default => isset(self::RADII[$bare]) ? $bare : 'hand',
        })[0] * ('thigh' === $bare ? 0.85 : 1.0);
    }

    /** @return array{float, float} half thickness at both ends, in cm */
    public function radii(string $segment): array
    {
        $scale = $this->stature / self::STATURE;

        return [self::RADII[$segment][0] * $scale, self::RADII[$segment][1] * $scale];
    }
}
