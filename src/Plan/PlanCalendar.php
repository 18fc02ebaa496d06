<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\Core\Calendar\Day;
use Sabre\VObject\Component\VCalendar;

/**
 * Plans as an iCalendar file (RFC 5545). A session's UID is of its person and day, so that a newer
 * plan updates it; days that a newer plan no longer has are cancelled. Times are written in UTC, each
 * by the clock of its own day, so that a change to summer time moves nothing.
 */
final class PlanCalendar
{
    private const REMIND_MINUTES = 30;

    /**
     * @param string $person the id of whose they are
     * @param list<CalendarPlan> $plans all of one person, the newest first
     * @param array<string, true> $heldBack days of which nothing may be done any more
     */
    public static function of(
        string $person,
        array $plans,
        \DateTimeImmutable $now,
        string $summary,
        array $heldBack = [],
    ): string {
        $calendar = new VCalendar(['PRODID' => '-//Lucid Ascent//Practice//EN', 'METHOD' => 'PUBLISH']);
        if ([] === $plans) {
            return $calendar->serialize();
        }
        $newest = $plans[0];
        $today = Day::of($now);
        $days = $newest->minutes;
        foreach ($days as $day => $minutes) {
            $isOff = isset($heldBack[$day]) && $day >= $today;
            self::add(
                $calendar,
                $person,
                $newest,
                $day,
                $minutes,
                count($plans) + ($isOff ? 1 : 0),
                $now,
                $summary,
                $isOff ? 'CANCELLED' : 'CONFIRMED',
            );
        }
        foreach (array_slice($plans, 1) as $older) {
            foreach ($older->minutes as $day => $minutes) {
                if (!isset($days[$day])) {
                    $days[$day] = $minutes;
                    // What was planned and is past stays as it was; what is still to come is called off.
                    self::add(
                        $calendar,
                        $person,
                        $older,
                        $day,
                        $minutes,
                        count($plans),
                        $now,
                        $summary,
                        $day >= $today ? 'CANCELLED' : 'CONFIRMED',
                    );
                }
            }
        }

        return $calendar->serialize();
    }

    private static function add(
        VCalendar $calendar,
        string $person,
        CalendarPlan $plan,
        string $day,
        int $minutes,
        int $sequence,
        \DateTimeImmutable $now,
        string $summary,
        string $status,
    ): void {
        $start = (new \DateTimeImmutable($day.' '.$plan->time, new \DateTimeZone($plan->zone)))->setTimezone(
            new \DateTimeZone('UTC'),
        );
        $event = $calendar->createComponent('VEVENT', [
            'UID' => "session-$person-$day@lucid-ascent",
            'DTSTAMP' => $now->setTimezone(new \DateTimeZone('UTC')),
            'DTSTART' => $start,
            'DTEND' => $start->add(new \DateInterval("PT{$minutes}M")),
            'SEQUENCE' => (string) $sequence,
            'STATUS' => $status,
            'SUMMARY' => $summary,
        ]);
        if ('CANCELLED' !== $status) {
            $event->add(
                $calendar->createComponent('VALARM', [
                    'TRIGGER' => '-PT'.self::REMIND_MINUTES.'M',
                    'ACTION' => 'DISPLAY',
                    'DESCRIPTION' => $summary,
                ]),
            );
        }
        $calendar->add($event);
    }
}
