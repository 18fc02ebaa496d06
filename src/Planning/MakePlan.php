<?php

declare(strict_types=1);

namespace LucidAscent\App\Planning;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Plan\PlanningRequest;
use LucidAscent\App\Plan\RequestCodec;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\Planner;
use LucidAscent\Core\Plan\SessionRules;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Rules;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Plans: made anew, or carried on after a session by what was reached in it. */
final readonly class MakePlan
{
    public function __construct(
        private ReadPerson $person,
        private Wanted $wanted,
        private StoredPlans $kept,
        private Catalogue $catalogue,
        private ClockInterface $clock,
    ) {
    }

    /**
     * Weeks of practice out of what a person is ready for.
     *
     * @param list<string> $wanted
     */
    public function plan(ReadPoses $poses, array $wanted, PlanningRequest $asked): Plan
    {
        return (new Planner(
            $poses,
            $this->catalogue->practiceRungs(),
            $this->catalogue->dose($asked->school),
            array_map($this->catalogue->dose(...), $asked->schools),
            $this->catalogue->drills(),
        ))->plan($wanted, $asked->request);
    }

    /** @return PracticePlan|null null for somebody whom nobody has measured */
    public function anew(
        Practitioner $practitioner,
        Uuid $entry,
        Teacher $by,
        PlanningRequest $asked,
        ?PracticePlan $before,
    ): ?PracticePlan {
        $poses = $this->person->now($practitioner);
        if (null === $poses) {
            return null;
        }
        $asked = $asked->from($this->today());
        $plan = $this->withLocked(
            $this->plan($poses, $this->wanted->of($practitioner), $asked),
            $before,
            $asked,
            $poses,
        );

        return new PracticePlan(
            $entry,
            $practitioner,
            $by,
            $this->clock->now(),
            Rules::VERSION,
            RequestCodec::write($asked),
            $this->kept->write($plan),
            $before?->id,
            '',
        );
    }

    /**
     * What is to come of a plan, planned again by what was reached: its weeks keep their days, and what is past, or
     * locked, stays as it is. A plan that was changed by hand is left to whoever changed it.
     *
     * @return PracticePlan|null null when nothing would be other than it is
     */
    public function onward(PracticePlan $before, Teacher $by): ?PracticePlan
    {
        $poses = $this->person->now($before->practitioner);
        if (null === $poses || '' !== $before->changed) {
            return null;
        }
        $asked = StoredPlans::asked($before);
        $old = $this->kept->plan($before);
        $today = Day::of($this->today());
        $plan = $this->withLocked(
            $this->plan($poses, $this->wanted->of($before->practitioner), $asked),
            $before,
            $asked,
            $poses,
        )->map(static function (PlannedSession $session, int $w, int $s) use ($old, $today): PlannedSession {
            $there = $old->session($w, $s);

            return null !== $there && (Day::of($session->on) <= $today || Day::of($there->on) !== Day::of($session->on))
                ? $there
                : $session;
        });
        $there = $old->sessions();
        $changed = array_filter(
            $plan->sessions(),
            fn (PlannedSession $session, int $i): bool => !$this->kept->isSame($session, $there[$i] ?? null),
            ARRAY_FILTER_USE_BOTH,
        );

        return [] === $changed && count($there) === count($plan->sessions())
            ? null
            : new PracticePlan(
                Uuid::v7(),
                $before->practitioner,
                $by,
                $this->clock->now(),
                Rules::VERSION,
                $before->request,
                ['carriedOn' => $today] + $this->kept->write($plan),
                $before->id,
                '',
            );
    }

    /** Sessions in which something was locked stay as they were, where no rule has come to forbid it. */
    private function withLocked(Plan $plan, ?PracticePlan $before, PlanningRequest $asked, ReadPoses $poses): Plan
    {
        $locked = [];
        foreach (null === $before ? [] : $this->kept->plan($before)->sessions() as $session) {
            if ($session->isLocked() && [] === SessionRules::broken($session, $asked->request->minutes, $poses)) {
                $locked[Day::of($session->on)] = $session;
            }
        }

        return $plan->map(
            static fn (PlannedSession $session): PlannedSession => $locked[Day::of($session->on)] ?? $session,
        );
    }

    private function today(): \DateTimeImmutable
    {
        return Day::midnight($this->clock->now());
    }
}
