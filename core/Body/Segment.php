<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/**
 * The lengths of a body that the leg chain uses.
 *
 * Shares of stature: thigh, shin and ankle height after Drillis & Contini (1966), as tabulated
 * by Winter, Biomechanics and Motor Control of Human Movement. Hip spacing and seated hip
 * height are from memory of anthropometric tables.
 */
enum Segment: string
{
    case Thigh = 'thigh';
    case Shin = 'shin';
    case HipSpacing = 'hipSpacing';
    case SeatedHipHeight = 'seatedHipHeight';
    case AnkleAboveSole = 'ankleAboveSole';
    /** Hip joint centre above the floor, lying on the back: this product's own share. */
    case LyingHipHeight = 'lyingHipHeight';

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
        };
    }

    /** Whether the left and the right leg each have one. */
    public function isPaired(): bool
    {
        return self::Thigh === $this || self::Shin === $this;
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
            self::SeatedHipHeight, self::LyingHipHeight => 0.7,
            self::AnkleAboveSole => 0.0,
        };
    }
}
