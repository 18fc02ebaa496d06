<?php

declare(strict_types=1);

namespace LucidAscent\Core\Body;

/**
 * Which measured lengths are odd enough to be asked about again: a length more than a quarter
 * off what the stature leads one to expect, or a left and a right that differ by over 3 cm.
 * People can really be so; the answer is then a confirmation that is kept with the record.
 */
final class PlausibleRange
{
    public const SHARE = 0.25;
    public const SIDE_DIFFERENCE_CM = 3.0;

    /** @return array<string, string> the reason, by the name of the length; empty when nothing is odd */
    public static function doubts(Proportions $proportions): array
    {
        $doubts = [];
        foreach (Segment::cases() as $segment) {
            $expected = $proportions->estimate($segment)->cm;
            foreach (Side::cases() as $side) {
                if ($proportions->isEstimated($segment, $side)) {
                    continue;
                }
                $cm = $proportions->length($segment, $side)->cm;
                if (abs($cm - $expected) > self::SHARE * $expected) {
                    $doubts[Proportions::key($segment, $side)] = sprintf(
                        'For this stature one expects %.1f to %.1f cm.',
                        (1 - self::SHARE) * $expected,
                        (1 + self::SHARE) * $expected,
                    );
                }
            }
            $bothMeasured =
                !$proportions->isEstimated($segment, Side::Left) && !$proportions->isEstimated($segment, Side::Right);
            if ($segment->isPaired() && $bothMeasured) {
                $left = $proportions->length($segment, Side::Left)->cm;
                $right = $proportions->length($segment, Side::Right)->cm;
                if (abs($left - $right) > self::SIDE_DIFFERENCE_CM) {
                    $doubts[Proportions::key($segment, Side::Right)] ??= sprintf(
                        'Left and right differ by %.1f cm.',
                        abs($left - $right),
                    );
                }
            }
        }

        return $doubts;
    }
}
