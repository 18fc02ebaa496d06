<?php

declare(strict_types=1);

// Prints the calendar of two plans of one person, the newer without one of the older's days, across a change to summer time.

use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Plan\PlanCalendar;
use Symfony\Component\Uid\Uuid;

require dirname(__DIR__, 2).'/vendor/autoload.php';

$then = new DateTimeImmutable('2026-03-20T09:00:00Z');
$teacher = new Teacher(Uuid::v7(), 'teacher@studio.example', 'A Teacher', $then);
$person = new Practitioner(Uuid::fromString('01890a5d-ac96-774b-bcce-b302099a8057'), $teacher, 'A Person', $then, $then);
$plan = static fn (array $days, DateTimeImmutable $at): PracticePlan => new PracticePlan(Uuid::v7(), $person, $teacher, $at, '2', ['time' => '18:30', 'zone' => 'Europe/Berlin'], ['weeks' => [['light' => false, 'sessions' => array_map(static fn (string $day): array => ['date' => $day, 'minutes' => 45], $days)]]], null, '');
echo PlanCalendar::of([$plan(['2026-03-28', '2026-03-29'], $then->modify('+1 day')), $plan(['2026-03-19', '2026-03-28', '2026-03-31'], $then)], $then->modify('+2 days'), 'Practice; with commas, and a long line that has to be folded because it is longer than seventy-five octets');
