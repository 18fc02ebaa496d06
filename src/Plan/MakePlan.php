<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Exchange\Fields;
use LucidAscent\App\Exchange\PlanAnswer;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Wanted;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\SessionRules;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Rules;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Plans as they are kept: made anew, or carried on after a session by what was reached in it. */
final readonly class MakePlan
{
    public function __construct(private ReadPerson $person, private PlanAnswer $planner, private Wanted $wanted, private StoredPlan $stored, private Catalogue $catalogue, private ClockInterface $clock)
    {
    }

    /**
     * @param array<string, mixed> $request the time there is, as the command line takes it
     *
     * @return PracticePlan|null null for somebody whom nobody has measured
     */
    public function anew(Practitioner $practitioner, Uuid $entry, Teacher $by, array $request, ?PracticePlan $before): ?PracticePlan
    {
        $poses = $this->person->now($practitioner);
        $request = array_replace($request, ['from' => Day::of($this->clock->now())]);

        return null === $poses ? null : new PracticePlan($entry, $practitioner, $by, $this->clock->now(), Rules::VERSION, $request, $this->planned($poses, $practitioner, $request, $before), $before?->id, '');
    }

    /**
     * What is to come of a plan, planned again by what was reached: its weeks keep their days, and what is past, or locked,
     * stays as it is. A plan that was changed by hand is left to whoever changed it.
     *
     * @return PracticePlan|null null when nothing would be other than it is
     */
    public function onward(PracticePlan $plan, Teacher $by): ?PracticePlan
    {
        $poses = $this->person->now($plan->practitioner);
        if (null === $poses || '' !== $plan->changed) {
            return null;
        }
        $today = Day::of($this->clock->now());
        $content = $this->planned($poses, $plan->practitioner, array_replace($plan->request, ['from' => Day::of($plan->from())]), $plan);
        foreach ($content['weeks'] as $w => $week) {
            foreach ($week['sessions'] as $s => $session) {
                $old = $plan->plan['weeks'][$w]['sessions'][$s] ?? null;
                if (null !== $old && ($session['date'] <= $today || $old['date'] !== $session['date'])) {
                    $content['weeks'][$w]['sessions'][$s] = $old;
                }
            }
        }

        return $content['weeks'] === $plan->plan['weeks'] ? null : new PracticePlan(Uuid::v7(), $plan->practitioner, $by, $this->clock->now(), Rules::VERSION, $plan->request, ['carriedOn' => $today] + $content, $plan->id, '');
    }

    /**
     * @param array<string, mixed> $request
     *
     * @return array<string, mixed>
     */
    private function planned(ReadPoses $poses, Practitioner $practitioner, array $request, ?PracticePlan $before): array
    {
        $fields = Fields::of($request);
        $plan = $this->planner->plan($poses, $this->wanted->of($practitioner), PlanAnswer::request($fields, new \DateTimeImmutable($request['from'], new \DateTimeZone('UTC'))), $request['school'] ?? null, PlanAnswer::schools($fields));
        $answer = json_decode((string) json_encode($this->planner->answer($plan, $poses)), true);

        return ['weeks' => $this->withLocked($this->stored->kept($answer['weeks']), $before, $request['minutes'], $poses)] + $answer;
    }

    /**
     * Sessions in which something was locked stay as they were, where no rule has come to forbid it.
     *
     * @param list<array<string, mixed>> $weeks
     *
     * @return list<array<string, mixed>>
     */
    private function withLocked(array $weeks, ?PracticePlan $before, int $minutes, ReadPoses $poses): array
    {
        $locked = [];
        foreach ($before->plan['weeks'] ?? [] as $week) {
            foreach ($week['sessions'] as $session) {
                $isLocked = [] !== array_filter($session['items'], static fn (array $item): bool => $item['locked'] ?? false);
                if ($isLocked && null !== $before && [] === SessionRules::broken($this->stored->session($session, $this->catalogue->dose($before->schoolOn($session['date']))), $minutes, $poses)) {
                    $locked[$session['date']] = $session;
                }
            }
        }
        foreach ($weeks as &$week) {
            $week['sessions'] = array_map(static fn (array $session): array => $locked[$session['date']] ?? $session, $week['sessions']);
        }

        return $weeks;
    }
}
