<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\ReadPoses;

/**
 * How many times as long as in the beginning a rung is held: a fifth more for each week in which it was practised and
 * reached clean, and from the beginning again after a time when it was not, or after a break that lapses what was
 * passed (common practice).
 */
final readonly class Growth
{
    private const STEP = 1.2;
    public const WEEK = 7;
    /** Seconds of a gentle shape at first, for whoever has done nothing deep yet, and for others. */
    private const FIRST = 120.0;
    private const FIRST_OF_THE_PRACTISED = 300.0;

    /**
     * @param list<Seen> $seen in any order
     * @param \DateTimeImmutable|null $since when a stop on that side was lifted last: what was practised before it
     *     counts no more
     */
    public static function of(
        array $seen,
        string $posture,
        string $rung,
        Side $side,
        \DateTimeImmutable $on,
        ?\DateTimeImmutable $since = null,
    ): float {
        $practised = array_filter(
            $seen,
            static fn (Seen $one): bool => $one->isPractice
                && $one->posture === $posture
                && $one->rung === $rung
                && $one->side === $side
                && (null === $since || ($one->at ?? $one->on) > $since),
        );
        usort($practised, static fn (Seen $a, Seen $b): int => $a->on <=> $b->on);
        $steps = 0;
        $last = $before = null;
        foreach ($practised as $one) {
            if (self::isBreak($before, $one->on)) {
                $steps = 0;
                $last = null;
            }
            $before = $one->on;
            if (!$one->isClean) {
                $steps = 0;
                $last = null;
            } elseif (null === $last || Day::between($last, $one->on) >= self::WEEK) {
                ++$steps;
                $last = $one->on;
            }
        }

        return self::isBreak($before, $on) ? 1.0 : self::STEP ** $steps;
    }

    /** Of a rung on a side, by now; of both sides at once, that of the one which is behind. */
    public static function now(ReadPoses $poses, PracticeRung $rung, ?Side $side): float
    {
        $person = $poses->person;

        return min(
            array_map(
                static fn (Side $one): float => self::of(
                    $person->seen,
                    $rung->posture,
                    $rung->rung->id,
                    $one,
                    $person->on,
                    $person->liftedAt($one),
                ),
                null === $side ? Side::cases() : [$side],
            ),
        );
    }

    /** @return float seconds that a rung is held on a side by now, at most as long as its range has it */
    public static function seconds(ReadPoses $poses, PracticeRung $rung, ?Side $side, Dose $dose): float
    {
        return self::grown($rung, $dose, self::now($poses, $rung, $side));
    }

    /** @return float seconds that a rung is held that has grown so many times, at most as long as its range has it */
    public static function grown(PracticeRung $rung, Dose $dose, float $times): float
    {
        return min($dose->most($rung), $dose->seconds($rung) * $times);
    }

    /**
     * How long a gentle shape may be held at most: a minute or two at first, and a fifth more for each week in which it
     * was reached, those to come among them. What is short is made longer by weeks, not by time that is left; whoever
     * only lies there may lie there.
     *
     * @param float $grown how many times as long as in the beginning it is held by now
     * @param int $weeks that are to come until then
     * @param bool $isPractised whether something deep was done clean by this person
     *
     * @return float seconds on a side, never out of the rung's own range
     */
    public static function gentle(PracticeRung $rung, Dose $dose, float $grown, int $weeks, bool $isPractised): float
    {
        $range = $dose->range($rung);
        $first = $isPractised ? self::FIRST_OF_THE_PRACTISED : self::FIRST;

        return $rung->rung->work->leavesLegsLong()
            ? $range->most
            : min($range->most, max($range->least, $first * $grown * self::STEP ** $weeks));
    }

    /** Whether something deep was done clean by a person. */
    public static function isPractised(ReadPoses $poses): bool
    {
        foreach ($poses->person->seen as $seen) {
            $shape = ($poses->postures[$seen->posture] ?? null)?->shapes()[$seen->rung] ?? null;
            if ($seen->isClean && false === $shape?->isForAnybody()) {
                return true;
            }
        }

        return false;
    }

    private static function isBreak(?\DateTimeImmutable $before, \DateTimeImmutable $on): bool
    {
        return null !== $before && Passes::hasLapsed($before, $on);
    }
}
