<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;

/** The time that a person has. */
final readonly class PlanRequest
{
    public const MOST_WEEKS = 52;
    public const LEAST_MINUTES = 10;
    public const MOST_MINUTES = 180;

    /**
     * @param \DateTimeImmutable $from the first day that may be practised on
     * @param list<int> $days 1 for Monday to 7 for Sunday, in order
     * @param list<string> $pinned postures and drills that the teacher wants in it, as far as nothing holds them
     * @param list<string> $forbidden postures and drills that the teacher does not want in it
     * @param list<int> $sportDays days of the week that have another sport, 1 for Monday
     * @param list<string> $sequence postures that the teacher wants in this order, as far as nothing holds them
     *
     * @throws InvalidValue when there are no weeks, no days or no minutes
     */
    public function __construct(
        public \DateTimeImmutable $from,
        public int $weeks,
        public array $days,
        public int $minutes,
        public Equipment $equipment,
        public array $pinned = [],
        public array $forbidden = [],
        public array $sportDays = [],
        public array $sequence = [],
    ) {
        Check::within('weeks', (float) $weeks, 1.0, self::MOST_WEEKS, '');
        Check::within('minutes', (float) $minutes, self::LEAST_MINUTES, self::MOST_MINUTES, 'minutes');
        if ([] === $days) {
            throw InvalidValue::because('days', 'are none: choose one day of the week at least.');
        }
    }

    /** The same from another day on. */
    public function from(\DateTimeImmutable $day): self
    {
        return new self(
            $day,
            $this->weeks,
            $this->days,
            $this->minutes,
            $this->equipment,
            $this->pinned,
            $this->forbidden,
            $this->sportDays,
            $this->sequence,
        );
    }

    /** @return list<list<\DateTimeImmutable>> the days of practice, by week; a week begins on the first day */
    public function dates(): array
    {
        $weeks = [];
        for ($week = 0; $week < $this->weeks; ++$week) {
            $dates = [];
            for ($day = 0; $day < 7; ++$day) {
                $date = $this->from->add(new \DateInterval('P'.(7 * $week + $day).'D'));
                if (in_array((int) $date->format('N'), $this->days, true)) {
                    $dates[] = $date;
                }
            }
            $weeks[] = $dates;
        }

        return $weeks;
    }
}
