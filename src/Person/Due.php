<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\Core\Calendar\Cycle;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Route\NextReading;
use Psr\Clock\ClockInterface;

/** What is due for a person today: a clearance, tests, a session, a check that nobody decided on. */
final readonly class Due
{
    public function __construct(
        private PlanRecords $planRecords,
        private Wanted $wanted,
        private ReadPerson $person,
        private StoredPlans $plans,
        private DayAfter $dayAfter,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @return array{held: list<Hold>, measure: bool, next: NextReading|null, retest: int|null, session: array{int,
     *     int}|null, plan: string|null, after: array{on: \DateTimeImmutable, places: list<PainPlace>}|null}
     */
    public function of(Practitioner $practitioner, ?ReadPoses $poses): array
    {
        return $this->waits($practitioner, $poses) + [
            'next' => null === $poses ? null : NextReading::of($this->wanted->of($practitioner), $poses),
        ];
    }

    /**
     * How much somebody needs the teacher: what is held goes before how the knee is after practice, a session today, a
     * body to measure and tests that are old.
     */
    public function urgency(Practitioner $practitioner): int
    {
        $waits = $this->waits($practitioner, $this->person->now($practitioner));

        return match (true) {
            [] !== $waits['held'] => 5,
            null !== $waits['after'] => 4,
            null !== $waits['session'] => 3,
            $waits['measure'] => 2,
            null !== $waits['retest'] => 1,
            default => 0,
        };
    }

    /**
     * @return array{held: list<Hold>, measure: bool, retest: int|null, session: array{int, int}|null,
     *     plan: string|null, after: array{on: \DateTimeImmutable, places: list<PainPlace>}|null}
     */
    private function waits(Practitioner $practitioner, ?ReadPoses $poses): array
    {
        $today = Day::of($this->clock->now());
        $plan = $this->planRecords->newestPlan($practitioner);
        $session = null === $plan ? null : $this->plans->plan($plan)->on($today);
        $newest = $poses?->person->taken[0] ?? null;
        $age = null === $poses || null === $newest?->on ? null : $poses->person->age($newest->on);

        return [
            // Whoever was never measured can have been hurt.
            'held' => ($poses->person->holds ?? $this->person->holds($practitioner))->active,
            'measure' => null === $poses,
            'retest' => null !== $age && $age >= Cycle::DAYS ? $age : null,
            'session' => $session,
            'after' => $this->dayAfter->of($practitioner),
            'plan' => null === $plan ? null : (string) $plan->id,
        ];
    }
}
