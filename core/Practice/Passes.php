<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

use LucidAscent\Core\Calendar\Day;

/**
 * Which rungs of a ladder one side has passed by practice: three clean sessions in a row, over eight days where the
 * rung takes days (a folded knee under load, a turn under load, the neck), or a decision to move on. A break of more
 * than 42 days lapses all of it; a step back, a new test or a stop that was lifted takes back what stands at or above
 * the rung on which the side goes on (common practice). What was practised while a rung was held, or before that and
 * told only later, passes nothing; nor does a session after which a rung had been felt in the same wrong place twice.
 */
final class Passes
{
    public const SESSIONS = 3;
    public const LAPSE_DAYS = 42;
    public const SPAN_DAYS = 8;

    /**
     * @param list<string> $ladder ids of its rungs, from the ground up
     * @param list<ReadinessCheck> $checks of this ladder and side
     * @param list<Decided> $decided likewise
     * @param list<Restart> $restarts
     * @param list<ClosedTime> $closed
     * @param list<string> $slow ids of the rungs that take days
     * @param array<string, FeltOnRung> $felt what was felt in each rung, by its id
     *
     * @return list<string>
     */
    public static function of(
        array $ladder,
        array $checks,
        array $decided,
        array $restarts,
        array $closed,
        \DateTimeImmutable $now,
        array $slow = [],
        array $felt = [],
    ): array {
        if ([] === $checks && [] === $decided) {
            return [];
        }
        $place = array_flip($ladder);
        $events = [];
        foreach (ReadinessCheck::worstOfEachDay(self::admitted($checks, $closed)) as $check) {
            $events[] = [$check->at ?? $check->on, 1, $check];
        }
        foreach ($decided as $one) {
            if (Step::MoveOn !== $one->step || $one->isAdmittedBy($closed)) {
                $events[] = [$one->at, 2, $one];
            }
        }
        foreach ($restarts as $restart) {
            $events[] = [$restart->at, 3, $restart];
        }
        usort($events, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        $passed = [];
        $run = CleanRun::none();
        $last = null;
        foreach ($events as [, , $event]) {
            if ($event instanceof ReadinessCheck) {
                if (null !== $last && self::hasLapsed($last, $event->on)) {
                    $passed = [];
                }
                $last = $event->on;
                $run = $run->with($event);
                $isKept = true === ($felt[$event->rung] ?? null)?->keepsOn($event->on);
                if (!$isKept && $run->isEnough(in_array($event->rung, $slow, true))) {
                    $passed[$event->rung] = true;
                }
            } elseif ($event instanceof Decided) {
                switch ($event->step) {
                    case Step::MoveOn:
                        $passed[$event->rung] = true;
                        break;
                    case Step::StepBack:
                    case Step::ReTest:
                    case Step::Stop:
                        $run = CleanRun::none();
                        $passed = self::below($passed, $place, $event->rungAfter, 0);
                        break;
                    default:
                        // Whoever decided to stay is not moved on by what came before.
                        unset($passed[$event->rung]);
                }
            } else {
                $run = CleanRun::none();
                // The ladder goes on one rung below where it stopped.
                $passed = self::below($passed, $place, $event->stoppedOn, 1);
            }
        }
        if (null !== $last && self::hasLapsed($last, $now)) {
            $passed = [];
        }

        return array_values(array_filter($ladder, static fn (string $rung): bool => isset($passed[$rung])));
    }

    /**
     * The checks that count: those of rungs that nothing held when they were practised.
     *
     * @param list<ReadinessCheck> $checks
     * @param list<ClosedTime> $closed
     *
     * @return list<ReadinessCheck>
     */
    public static function admitted(array $checks, array $closed): array
    {
        return array_values(
            array_filter($checks, static function (ReadinessCheck $check) use ($closed): bool {
                foreach ($closed as $time) {
                    // What was not clean is heard whenever it was.
                    if ($check->isClean() && !$time->admits($check->rung, $check->on, $check->at)) {
                        return false;
                    }
                }

                return true;
            }),
        );
    }

    /**
     * @param array<string, bool> $passed
     * @param array<string, int> $place
     *
     * @return array<string, bool>
     */
    private static function below(array $passed, array $place, string $rung, int $down): array
    {
        $limit = ($place[$rung] ?? count($place)) - $down;

        return array_filter(
            $passed,
            static fn (string $one): bool => ($place[$one] ?? PHP_INT_MAX) < $limit,
            ARRAY_FILTER_USE_KEY,
        );
    }

    /** Whether so long a break lies between two days of practice that nobody knows any more where a side stands. */
    public static function hasLapsed(\DateTimeImmutable $from, \DateTimeImmutable $to): bool
    {
        return Day::between($from, $to) > self::LAPSE_DAYS;
    }
}
