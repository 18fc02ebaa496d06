<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/**
 * One leg of one body, as the leg chain needs it. All lengths in cm.
 *
 * Thigh: greater trochanter to the outer knee joint line. Shin: outer knee joint line to the
 * tip of the outer ankle bone. Hip spacing: between the two hip joint centres. Seated hip
 * height: hip joint centre above the seat, sitting upright. Ankle above sole: ankle centre
 * above the sole of the foot. Lying hip height: hip joint centre above the floor, lying on the back.
 */
final readonly class Body
{
    public float $lyingHipHeight;

    /**
     * @param float|null $lyingHipHeight where nobody measured it, as many times the seated one as shares of stature say
     *
     * @throws InvalidValue when a length is not finite, or not more than zero
     */
    public function __construct(
        public float $thigh,
        public float $shin,
        public float $hipSpacing,
        public float $seatedHipHeight,
        public float $ankleAboveSole,
        ?float $lyingHipHeight = null,
    ) {
        Check::positive('thigh', $thigh);
        Check::positive('shin', $shin);
        Check::positive('hipSpacing', $hipSpacing);
        Check::positive('seatedHipHeight', $seatedHipHeight);
        Check::positive('ankleAboveSole', $ankleAboveSole);
        $this->lyingHipHeight = Check::positive('lyingHipHeight', $lyingHipHeight ?? $seatedHipHeight * Segment::LyingHipHeight->shareOfStature() / Segment::SeatedHipHeight->shareOfStature());
    }

    /** The same body with one of its lengths longer by so many cm. */
    public function shifted(Segment $segment, float $by): self
    {
        return new self(
            $this->thigh + (Segment::Thigh === $segment ? $by : 0.0),
            $this->shin + (Segment::Shin === $segment ? $by : 0.0),
            $this->hipSpacing + (Segment::HipSpacing === $segment ? $by : 0.0),
            $this->seatedHipHeight + (Segment::SeatedHipHeight === $segment ? $by : 0.0),
            $this->ankleAboveSole + (Segment::AnkleAboveSole === $segment ? $by : 0.0),
            $this->lyingHipHeight + (Segment::LyingHipHeight === $segment ? $by : 0.0),
        );
    }
}
