<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Entity\PracticePlan;
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
     * @param list<PracticePlan> $plans all of one person, the newest first
     * @param array<string, true> $heldBack days of which nothing may be done any more
     */
    public static function of(array $plans, \DateTimeImmutable $now, string $summary, array $heldBack = []): string
    {
        $calendar = new VCalendar(['PRODID' => '-//Lucid Ascent//Practice//EN', 'METHOD' => 'PUBLISH']);
        if ([] === $plans) {
            return $calendar->serialize();
        }
        $newest = $plans[0];
        $today = Day::of($now);
        $days = self::days($newest);
        foreach ($days as $day => $minutes) {
            $isOff = isset($heldBack[$day]) && $day >= $today;
            self::add($calendar, $newest, $day, $minutes, count($plans) + ($isOff ? 1 : 0), $now, $summary, $isOff ? 'CANCELLED' : 'CONFIRMED');
        }
        foreach (array_slice($plans, 1) as $older) {
            foreach (self::days($older) as $day => $minutes) {
                if (!isset($days[$day])) {
                    $days[$day] = $minutes;
                    // What was planned and is past stays as it was; what is still to come is called off.
                    self::add($calendar, $older, $day, $minutes, count($plans), $now, $summary, $day >= $today ? 'CANCELLED' : 'CONFIRMED');
                }
            }
        }

        return $calendar->serialize();
    }

    /** @return array<string, int> minutes by day */
    private static function days(PracticePlan $plan): array
    {
        $days = [];
        foreach ($plan->plan['weeks'] as $week) {
            foreach ($week['sessions'] as $session) {
                $days[$session['date']] = $session['minutes'];
            }
        }

        return $days;
    }

    private static function add(VCalendar $calendar, PracticePlan $plan, string $day, int $minutes, int $sequence, \DateTimeImmutable $now, string $summary, string $status): void
    {
        $start = (new \DateTimeImmutable($day.' '.($plan->request['time'] ?? '18:00'), new \DateTimeZone($plan->request['zone'] ?? 'UTC')))->setTimezone(new \DateTimeZone('UTC'));
        $event = $calendar->createComponent('VEVENT', [
            'UID' => "session-{$plan->practitioner->id}-$day@lucid-ascent",
            'DTSTAMP' => $now->setTimezone(new \DateTimeZone('UTC')),
            'DTSTART' => $start,
            'DTEND' => $start->add(new \DateInterval("PT{$minutes}M")),
            'SEQUENCE' => (string) $sequence,
            'STATUS' => $status,
            'SUMMARY' => $summary,
        ]);
        if ('CANCELLED' !== $status) {
            $event->add($calendar->createComponent('VALARM', ['TRIGGER' => '-PT'.self::REMIND_MINUTES.'M', 'ACTION' => 'DISPLAY', 'DESCRIPTION' => $summary]));
        }
        $calendar->add($event);
    }
}
