<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/**
 * A person's lengths: measured where somebody measured them, estimated from stature elsewhere.
 */
final class Proportions
{
    public const LEAST_STATURE = 120.0;
    public const GREATEST_STATURE = 220.0;

    /** @var array<string, Body> by side: asked for at every rung */
    private array $bodies = [];
    /** @var array<string, BodyError> likewise */
    private array $errors = [];
    /** @var array<string, UpperLengths> likewise */
    private array $upper = [];

    /** @param array<string, Length> $measured by segment name, with ".left" or ".right" where paired */
    private function __construct(public readonly Length $stature, private readonly array $measured)
    {
    }

    /**
     * @param array<string, Length> $measured by segment name, with ".left" or ".right" where paired
     *
     * @throws InvalidValue when the stature is outside 120 to 220 cm, or a length is not more than zero
     */
    public static function of(Length $stature, array $measured = []): self
    {
        Check::within('stature', $stature->cm, self::LEAST_STATURE, self::GREATEST_STATURE, 'cm');
        foreach ($measured as $name => $length) {
            Check::positive($name, $length->cm);
        }

        return new self($stature, $measured);
    }

    /** The name under which a length is kept: "thigh.left", but "hipSpacing". */
    public static function key(Segment $segment, Side $side): string
    {
        return $segment->isPaired() ? $segment->value.'.'.$side->value : $segment->value;
    }

    public function length(Segment $segment, Side $side): Length
    {
        return $this->measured[self::key($segment, $side)] ?? $this->estimate($segment);
    }

    public function estimate(Segment $segment): Length
    {
        return $this->stature->times($segment->shareOfStature());
    }

    public function isEstimated(Segment $segment, Side $side): bool
    {
        return !isset($this->measured[self::key($segment, $side)]);
    }

    public function body(Side $side): Body
    {
        return $this->bodies[$side->value] ??= $this->asOther(
            $this->leg($side),
            $this->bodies[$side->opposite()->value] ?? null,
        );
    }

    /** Legs of the same lengths are one: what was reckoned of it holds for both. */
    private function asOther(Body $body, ?Body $other): Body
    {
        return null !== $other && $other->lengths() === $body->lengths() ? $other : $body;
    }

    private function leg(Side $side): Body
    {
        return new Body(
            $this->length(Segment::Thigh, $side)->cm,
            $this->length(Segment::Shin, $side)->cm,
            $this->length(Segment::HipSpacing, $side)->cm,
            $this->length(Segment::SeatedHipHeight, $side)->cm,
            $this->length(Segment::AnkleAboveSole, $side)->cm,
            $this->length(Segment::LyingHipHeight, $side)->cm,
            $this->length(Segment::KneelingHands, $side)->cm,
        );
    }

    public function upper(Side $side): UpperLengths
    {
        return $this->upper[$side->value] ??= UpperLengths::of($this, $side);
    }

    /** From the top of the shoulder to the fingertips, the arm straight, in cm. */
    public function toFingertips(Side $side): float
    {
        return $this->length(Segment::ShoulderToFingertips, $side)->cm;
    }

    /** From the wrist to the fingertips, in cm. */
    public function hand(Side $side): float
    {
        $arm = $this->upper($side);

        return $this->toFingertips($side) - $arm->upperArm - $arm->forearm;
    }

    /** The same body with a length that is so much longer, on both sides where it is paired. */
    public function longer(Segment $segment, float $cm): self
    {
        $measured = $this->measured;
        foreach (Side::cases() as $side) {
            $measured[self::key($segment, $side)] = Length::cm($this->length($segment, $side)->cm + $cm);
            if (!$segment->isPaired()) {
                break;
            }
        }

        return new self($this->stature, $measured);
    }

    /** The same legs, with trunk and arms as they usually are with this stature. */
    public function withUsualUpper(): self
    {
        $upper = [Segment::SeatToShoulder, Segment::ShoulderToFingertips, Segment::ElbowToFingertips];

        return new self(
            $this->stature,
            array_filter(
                $this->measured,
                static fn (string $key): bool => !in_array(Segment::from(explode('.', $key)[0]), $upper, true),
                ARRAY_FILTER_USE_KEY,
            ),
        );
    }

    public function error(Side $side): BodyError
    {
        return $this->errors[$side->value] ??= BodyError::of(
            fn (Segment $segment): float => $this->isEstimated($segment, $side)
                ? $segment->estimateError($this->stature->cm)
                : $segment->measuringError(),
        );
    }
}
