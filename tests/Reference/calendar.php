<?php

declare(strict_types=1);

// Prints the calendar of two plans of one person, the newer without one of the older's days, across a change to summer
// time.

use LucidAscent\App\Plan\CalendarPlan;
use LucidAscent\App\Plan\PlanCalendar;

require dirname(__DIR__, 2).'/vendor/autoload.php';

$then = new DateTimeImmutable('2026-03-20T09:00:00Z');
$plan = static fn (array $days): CalendarPlan => new CalendarPlan(array_fill_keys($days, 45), '18:30', 'Europe/Berlin');
echo PlanCalendar::of('01890a5d-ac96-774b-bcce-b302099a8057',
    [$plan(['2026-03-28', '2026-03-29']), $plan(['2026-03-19', '2026-03-28', '2026-03-31'])], $then->modify('+2 days'),
    'Practice; with commas, and a long line that has to be folded because it is longer than seventy-five octets');
