<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

/** What a calendar has to know of a plan: how long its sessions last, by day, and when they begin by which clock. */
final readonly class CalendarPlan
{
    /** @param array<string, int> $minutes by day; a day on which nothing is done has none */
    public function __construct(public array $minutes, public string $time, public string $zone)
    {
    }
}
