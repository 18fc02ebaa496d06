<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/**
 * One side's lengths above the hips, in cm: torso from the hip joints to the base of the neck, upper arm, forearm. As
 * they were measured (seat to the top of the shoulder, shoulder and elbow to the fingertips), or as shares of stature.
 */
final readonly class UpperLengths
{
    /** Nobody's differs from the usual by more than this share of it. */
    private const MOST_OFF = 0.5;

    private function __construct(
        public float $stature,
        public float $torso,
        public float $upperArm,
        public float $forearm,
        public bool $isTorsoEstimated = true,
    ) {
    }

    /** @param float $stature in cm */
    public static function ofStature(float $stature): self
    {
        return new self(
            $stature,
            UpperBody::Torso->ofStature($stature),
            UpperBody::UpperArm->ofStature($stature),
            UpperBody::Forearm->ofStature($stature),
        );
    }

    public static function of(Proportions $proportions, Side $side): self
    {
        $stature = $proportions->stature->cm;
        $usual = self::ofStature($stature);
        $cm = static fn (Segment $segment): ?float => $proportions->isEstimated($segment, $side)
            ? null
            : $proportions->length($segment, $side)->cm;
        $shoulder = $cm(Segment::SeatToShoulder);
        $arm = $cm(Segment::ShoulderToFingertips);
        $elbow = $cm(Segment::ElbowToFingertips);
        // The neck above the shoulder, and the hand, are as usual.
        $more = static fn (Segment $segment, float $cm): float => $cm - $proportions->estimate($segment)->cm;
        // An arm of which one length is known is as long in its parts.
        $share = null === $arm ? 1.0 : $arm / ($stature * Segment::ShoulderToFingertips->shareOfStature());

        return new self(
            $stature,
            null === $shoulder
                ? $usual->torso
                : self::possible(
                    $usual->torso +
                        $more(Segment::SeatToShoulder, $shoulder) -
                        $more(
                            Segment::SeatedHipHeight,
                            $proportions->length(Segment::SeatedHipHeight, $side)->cm,
                        ),
                    $usual->torso,
                ),
            self::possible(
                null === $arm || null === $elbow ? $share * $usual->upperArm : $arm - $elbow,
                $usual->upperArm,
            ),
            self::possible(
                null === $elbow
                    ? $share * $usual->forearm
                    : $usual->forearm + $more(Segment::ElbowToFingertips, $elbow),
                $usual->forearm,
            ),
            null === $shoulder,
        );
    }

    /** Two lengths that were confirmed, and cannot be together, leave the usual one between them. */
    private static function possible(float $cm, float $usual): float
    {
        return abs($cm - $usual) > self::MOST_OFF * $usual ? $usual : $cm;
    }

    /** In cm; the arm to the middle of the closed fist. */
    public function get(UpperBody $part): float
    {
        return match ($part) {
            UpperBody::Torso => $this->torso,
            UpperBody::UpperArm => $this->upperArm,
            UpperBody::Forearm => $this->forearm,
            UpperBody::Arm => UpperBody::Arm->ofStature($this->stature)
                * ($this->upperArm + $this->forearm)
                / (UpperBody::UpperArm->ofStature($this->stature) + UpperBody::Forearm->ofStature($this->stature)),
        };
    }

    /** Two of one name are alike. */
    public function name(): string
    {
        return sprintf('%.2f %.2f %.2f %.2f', $this->stature, $this->torso, $this->upperArm, $this->forearm);
    }
}
