<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/**
 * The lengths of a body that are measured from landmark to landmark: those of the leg chain, and some of arms and
 * trunk.
 *
 * Shares of stature: thigh, shin and ankle height after Drillis & Contini (1966), as tabulated
 * by Winter, Biomechanics and Motor Control of Human Movement. Hip spacing and seated hip
 * height are from memory of anthropometric tables.
 */
enum Segment: string
{
    /** A length estimated from stature is uncertain by this share of itself (one SD). */
    public const ESTIMATE_ERROR = 0.05;

    case Thigh = 'thigh';
    case Shin = 'shin';
    case HipSpacing = 'hipSpacing';
    case SeatedHipHeight = 'seatedHipHeight';
    case AnkleAboveSole = 'ankleAboveSole';
    /** Hip joint centre above the floor, lying on the back: this product's own share. */
    case LyingHipHeight = 'lyingHipHeight';
    /** Fists above the floor, kneeling upright with the arms hanging: thigh and trunk, less the arm. */
    case KneelingHands = 'kneelingHands';
    /** Sitting upright: from the seat to the top of the shoulder. */
    case SeatToShoulder = 'seatToShoulder';
    case ShoulderToFingertips = 'shoulderToFingertips';
    case ElbowToFingertips = 'elbowToFingertips';

    /** What share of stature this length is when nobody has measured it. */
    public function shareOfStature(): float
    {
        return match ($this) {
            self::Thigh => 0.245,
            self::Shin => 0.246,
            self::HipSpacing => 0.103,
            self::SeatedHipHeight => 0.053,
            self::AnkleAboveSole => 0.039,
            self::LyingHipHeight => 0.055,
            // Thigh, half a knee and torso, less the arm down to the fist.
            self::KneelingHands => 0.195,
            // Seated hip height and torso, less what the neck stands above the shoulder.
            self::SeatToShoulder => 0.323,
            // Upper arm, forearm and hand (Winter).
            self::ShoulderToFingertips => 0.44,
            self::ElbowToFingertips => 0.254,
        };
    }

    /** Whether left and right each have one. */
    public function isPaired(): bool
    {
        return in_array($this, [self::Thigh, self::Shin, self::ShoulderToFingertips, self::ElbowToFingertips], true);
    }

    /**
     * One standard deviation, in cm, of a measurement from landmark to landmark. The ankle's
     * height is taken as exact: it hardly moves an angle. The product's own figures, from
     * memory of anthropometry.
     */
    public function measuringError(): float
    {
        return match ($this) {
            self::Thigh => 1.0,
            self::Shin => 0.7,
            self::HipSpacing => 0.8,
            self::SeatedHipHeight, self::LyingHipHeight, self::KneelingHands => 0.7,
            self::SeatToShoulder, self::ShoulderToFingertips, self::ElbowToFingertips => 1.0,
            self::AnkleAboveSole => 0.0,
        };
    }

    /**
     * One standard deviation, in cm, of what stature leads one to expect: a twentieth of the length, or of each of the
     * lengths that it is the difference of; never less than of a measurement.
     */
    public function estimateError(float $stature): float
    {
        $parts =
            self::KneelingHands === $this
                ? [
                    $stature * self::Thigh->shareOfStature(),
                    UpperBody::Torso->ofStature($stature),
                    UpperBody::Arm->ofStature($stature),
                ]
                : [$stature * $this->shareOfStature()];
        $squares = array_map(static fn (float $cm): float => (self::ESTIMATE_ERROR * $cm) ** 2, $parts);

        // What is taken as exact is exact either way.
        return 0.0 === $this->measuringError() ? 0.0 : max($this->measuringError(), sqrt(array_sum($squares)));
    }

    /** @return list<self> those that a leg is made of, as the leg chain knows it */
    public static function ofLeg(): array
    {
        return [
            self::Thigh,
            self::Shin,
            self::HipSpacing,
            self::SeatedHipHeight,
            self::AnkleAboveSole,
            self::LyingHipHeight,
        ];
    }
}
