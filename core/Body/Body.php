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
 * Kneeling hands: fists above the floor, kneeling upright with the arms hanging.
 */
final readonly class Body
{
    public float $lyingHipHeight;

    /**
     * @param float|null $lyingHipHeight where nobody measured it, as many times the seated one as shares of stature say
     * @param float|null $kneelingHands null where nobody asks for it
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
        public ?float $kneelingHands = null,
    ) {
        $this->lyingHipHeight =
            $lyingHipHeight ??
            ($seatedHipHeight * Segment::LyingHipHeight->shareOfStature()) /
                Segment::SeatedHipHeight->shareOfStature();
        // Many bodies are drawn for an error: the guards are called only when they have something to say.
        if (
            !(
                min($thigh, $shin, $hipSpacing, $seatedHipHeight, $ankleAboveSole, $this->lyingHipHeight) > 0.0
                && $thigh + $shin + $hipSpacing + $seatedHipHeight + $ankleAboveSole + $this->lyingHipHeight <=
                    Check::MOST
            )
        ) {
            Check::positive('thigh', $thigh);
            Check::positive('shin', $shin);
            Check::positive('hipSpacing', $hipSpacing);
            Check::positive('seatedHipHeight', $seatedHipHeight);
            Check::positive('ankleAboveSole', $ankleAboveSole);
            Check::positive('lyingHipHeight', $this->lyingHipHeight);
        }
    }

    /**
     * @return list<float> thigh, shin, hip spacing, seated hip height, ankle above the sole and lying hip height, in cm
     */
    public function lengths(): array
    {
        return [
            $this->thigh,
            $this->shin,
            $this->hipSpacing,
            $this->seatedHipHeight,
            $this->ankleAboveSole,
            $this->lyingHipHeight,
        ];
    }

    /** The same body with one of its lengths longer by so many cm. */
    public function shifted(Segment $segment, float $by): self
    {
        return $this->with([$segment->value => $by]);
    }

    /**
     * The same body with each of these lengths longer.
     *
     * @param array<string, float> $by cm by segment
     */
    public function with(array $by): self
    {
        return new self(
            $this->thigh + ($by['thigh'] ?? 0.0),
            $this->shin + ($by['shin'] ?? 0.0),
            $this->hipSpacing + ($by['hipSpacing'] ?? 0.0),
            $this->seatedHipHeight + ($by['seatedHipHeight'] ?? 0.0),
            $this->ankleAboveSole + ($by['ankleAboveSole'] ?? 0.0),
            $this->lyingHipHeight + ($by['lyingHipHeight'] ?? 0.0),
            $this->kneelingHands,
        );
    }
}
