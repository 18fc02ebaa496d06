<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Posture\BodyReach;
use LucidAscent\Core\Posture\JointAsked;
use LucidAscent\Core\Posture\Reach;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\MeasuredCapacity;

/** What a reach comes to for one side of one person: by their lengths, and by what their joints were read to give. */
final class PredictReach
{
    /** Whatever else is as long as it is: these decide how far a hand gets. */
    private const LENGTHS = [
        Segment::Thigh,
        Segment::Shin,
        Segment::SeatToShoulder,
        Segment::ShoulderToFingertips,
        Segment::ElbowToFingertips,
    ];
    /** By how much a length is changed to see what it does, in cm. */
    private const STEP = 1.0;

    /** @return PredictedReach|null null where a body of these lengths cannot be in the shape at all */
    public static function of(Reach $reach, Snapshot $person, Side $working): ?PredictedReach
    {
        $body = $person->proportions;
        try {
            $here = $reach->of($body, $working);
            $unread = $known = [];
            foreach ($here->asks() as $asked) {
                $capacity = $person->capacities($asked->side)->get($asked->ability);
                if (null !== $capacity && self::tells($capacity, $asked, $person)) {
                    $known[$asked->name()] = $capacity;
                } else {
                    $unread[$asked->ability->value] = $asked->ability;
                }
            }
            $short = self::missing($here, $known);
            $gap = $here->gap($short);
            $variance = $reach->kind()->error() ** 2;
            foreach (self::LENGTHS as $segment) {
                $sd = $body->error($working)->sd($segment);
                $longer = $reach->of($body->longer($segment, self::STEP), $working);
                $variance += (($sd * ($longer->gap(self::missing($longer, $known)) - $gap)) / self::STEP) ** 2;
            }
            foreach ($known as $name => $capacity) {
                // Both ways, for what is enough costs nothing however much more it is.
                $moved = static fn (float $by): float => $here->gap(
                    [$name => $short[$name] - $capacity->ability->turn() * $by] + $short,
                );
                $variance += (($moved($capacity->error) - $moved(-$capacity->error)) / 2.0) ** 2;
            }
            $joints = [];
            foreach (array_keys(array_filter($short, static fn (float $missing): bool => $missing > 0.0)) as $name) {
                // Of two legs that give too little one alone would change nothing.
                $ability = $known[$name]->ability->value;
                $without = array_filter($short, static fn (string $of): bool => !str_starts_with($of, "$ability "),
                    ARRAY_FILTER_USE_KEY);
                $joints[$ability] = $gap - $here->gap($without);
            }
            arsort($joints);

            return new PredictedReach(
                $reach->kind(),
                $gap,
                sqrt($variance),
                $body->hand($working),
                self::areArmsKnown($body, $working)
                    ? $gap - $reach->of($body->withUsualUpper(), $working)->gap($short)
                    : null,
                $joints,
                array_values($unread),
            );
        } catch (\DomainException) {
            return null;
        }
    }

    /**
     * @param array<string, MeasuredCapacity> $known by JointAsked::name
     *
     * @return array<string, float>
     */
    private static function missing(BodyReach $here, array $known): array
    {
        $missing = [];
        foreach ($here->asks() as $asked) {
            if (isset($known[$asked->name()])) {
                $missing[$asked->name()] = $asked->missing($known[$asked->name()]->value);
            }
        }

        return $missing;
    }

    /** Whether a reading says how much of what is asked is there: a lower bound does only where it is enough. */
    private static function tells(MeasuredCapacity $capacity, JointAsked $asked, Snapshot $person): bool
    {
        return !$person->isTooOld($capacity->on())
            && (Bound::Exact === $capacity->bound || $asked->missing($capacity->value) <= 0.0);
    }

    private static function areArmsKnown(Proportions $body, Side $side): bool
    {
        return !$body->isEstimated(Segment::ShoulderToFingertips, $side)
            || !$body->isEstimated(Segment::SeatToShoulder, $side);
    }
}
