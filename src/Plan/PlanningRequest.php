<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\Core\Plan\PlanRequest;

/** The time and the props that a person has, in which way to practise, and when the calendar rings. */
final readonly class PlanningRequest
{
    /**
     * @param string|null $school null where nobody chose one
     * @param array<int, string> $schools another one on some days, by weekday from 1 for Monday
     * @param array<string, float> $sizes of the person's own blocks and blankets, in cm, by the names of LayOut
     * @param string $time of the day, as HH:MM
     */
    public function __construct(
        public PlanRequest $request,
        public ?string $school = null,
        public array $schools = [],
        public array $sizes = [],
        public string $time = self::TIME,
        public string $zone = 'UTC',
    ) {
    }

    public const TIME = '18:00';

    /** The same from another day on. */
    public function from(\DateTimeImmutable $day): self
    {
        return new self(
            $this->request->from($day),
            $this->school,
            $this->schools,
            $this->sizes,
            $this->time,
            $this->zone,
        );
    }

    public function schoolOn(\DateTimeImmutable $day): ?string
    {
        return $this->schools[(int) $day->format('N')] ?? $this->school;
    }
}
