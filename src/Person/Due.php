<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Plan\KeptPlans;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Calendar\Cycle;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Route\NextReading;
use Psr\Clock\ClockInterface;

/** What is due for a person today: a clearance, tests, a session, a check that nobody decided on. */
final readonly class Due
{
    public function __construct(private Records $records, private Wanted $wanted, private ReadPerson $person, private KeptPlans $plans, private ClockInterface $clock)
    {
    }

    /** @return array{held: list<Hold>, measure: bool, next: NextReading|null, retest: int|null, session: array{int, int}|null, plan: string|null} */
    public function of(Practitioner $practitioner, ?ReadPoses $poses): array
    {
        $today = Day::of($this->clock->now());
        $plan = $this->records->newestPlan($practitioner);
        $session = null === $plan ? null : $this->plans->plan($plan)->on($today);
        $newest = $poses?->person->taken[0] ?? null;
        $age = null === $poses || null === $newest?->on ? null : $poses->person->age($newest->on);

        return [
            // Whoever was never measured can have been hurt.
            'held' => ($poses->person->holds ?? $this->person->holds($practitioner))->active,
            'measure' => null === $poses,
            'next' => null === $poses ? null : NextReading::of($this->wanted->of($practitioner), $poses),
            'retest' => null !== $age && $age >= Cycle::DAYS ? $age : null,
            'session' => $session,
            'plan' => null === $plan ? null : (string) $plan->id,
        ];
    }

    /**
     * What is held goes before a session today, a body to measure and tests that are old.
     *
     * @param array{held: list<Hold>, measure: bool, next: NextReading|null, retest: int|null, session: array{int, int}|null, plan: string|null} $due
     */
    public static function urgency(array $due): int
    {
        return match (true) {
            [] !== $due['held'] => 4,
            null !== $due['session'] => 3,
            $due['measure'] => 2,
            null !== $due['retest'] => 1,
            default => 0,
        };
    }
}
