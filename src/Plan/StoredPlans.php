<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Json\Day;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Calendar\Day as CalendarDay;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\Today;
use LucidAscent\Core\Readiness\ReadPoses;

/** Plans on record as what they are: weeks of sessions, what was asked of them, and how they may be practised now. */
final class StoredPlans
{
    /** @var \WeakMap<PracticePlan, Plan> each read once */
    private \WeakMap $read;

    public function __construct(private readonly PlanCodec $codec)
    {
        $this->read = new \WeakMap();
    }

    /** One that cannot be read, whoever wrote it, is a plan of nothing. */
    public function plan(PracticePlan $kept): Plan
    {
        try {
            return $this->strictly($kept);
        } catch (InvalidValue) {
            return new Plan([], [], []);
        }
    }

    /** Whether it says what a plan says. */
    public function isReadable(PracticePlan $kept): bool
    {
        try {
            $this->check($kept);

            return true;
        } catch (InvalidValue) {
            return false;
        }
    }

    /** What was asked of it; of one that cannot be read the least that can be asked of a plan. */
    public static function asked(PracticePlan $kept): PlanningRequest
    {
        try {
            return self::askedStrictly($kept);
        } catch (InvalidValue) {
            return RequestCodec::read(
                Fields::of(['weeks' => 1, 'days' => ['mon'], 'minutes' => 30], 'request'),
                CalendarDay::midnight($kept->at),
            );
        }
    }

    /** @throws InvalidValue */
    private function strictly(PracticePlan $kept): Plan
    {
        return $this->read[$kept] ??= $this->codec->read(
            Fields::of($kept->plan, 'plan'),
            self::askedStrictly($kept),
        );
    }

    /** @throws InvalidValue */
    private static function askedStrictly(PracticePlan $kept): PlanningRequest
    {
        // An old one does not say from which day on: it begins with its first session, or on the day on which it was
        // made.
        $first = $kept->plan['weeks'][0]['sessions'][0]['date'] ?? null;
        $from =
            $kept->request['from'] ??
            min(CalendarDay::of($kept->at), is_string($first) ? $first : CalendarDay::of($kept->at));

        return RequestCodec::read(
            Fields::of($kept->request, 'request'),
            Day::of('from', is_string($from) ? $from : ''),
        );
    }

    /** @return list<string> ids of versions that were taken back, and can be done again */
    public static function redo(PracticePlan $kept): array
    {
        try {
            return Fields::of($kept->plan, 'plan')->texts('redo');
        } catch (InvalidValue) {
            return [];
        }
    }

    /** The day of the session by which what is to come was planned again; null where it was not. */
    public static function carriedOn(PracticePlan $kept): ?string
    {
        try {
            return self::day($kept);
        } catch (InvalidValue) {
            return null;
        }
    }

    /** @throws InvalidValue */
    private static function day(PracticePlan $kept): ?string
    {
        $plan = Fields::of($kept->plan, 'plan');

        return $plan->has('carriedOn') ? CalendarDay::of(Day::of('carriedOn', $plan->text('carriedOn'))) : null;
    }

    /** @throws InvalidValue when a plan that comes from elsewhere cannot be read */
    public function check(PracticePlan $kept): void
    {
        $this->strictly($kept);
        Fields::of($kept->plan, 'plan')->texts('redo');
        self::day($kept);
    }

    /** Whether two sessions are kept alike. */
    public function isSame(PlannedSession $one, ?PlannedSession $other): bool
    {
        // A number is the same with and without a point.
        return null !== $other
            && json_encode($this->codec->session($one)) === json_encode($this->codec->session($other));
    }

    public function calendar(PracticePlan $kept): CalendarPlan
    {
        $minutes = [];
        foreach ($this->plan($kept)->sessions() as $session) {
            if ([] !== $session->items) {
                $minutes[CalendarDay::of($session->on)] = $session->minutes();
            }
        }
        $asked = self::asked($kept);

        return new CalendarPlan($minutes, $asked->time, $asked->zone);
    }

    /** @return array<string, mixed> */
    public function write(Plan $plan): array
    {
        return $this->codec->write($plan);
    }

    /**
     * The plan with the holds of today: what has to keep short since it was made is no longer than at the beginning;
     * what is past stays as it was.
     */
    public function keepingShort(PracticePlan $kept, ?ReadPoses $poses): Plan
    {
        return $this->plan($kept)->map(
            static fn (PlannedSession $session): PlannedSession => null === $poses
            || CalendarDay::of($session->on) < CalendarDay::of($poses->person->on)
                ? $session
                : Today::keepingShort($session, $poses),
        );
    }

    /** @return array<string, true> items that may not be done now, by week, session and place: "0-2-5" */
    public function barred(PracticePlan $kept, ?ReadPoses $poses): array
    {
        $barred = [];
        foreach ($this->plan($kept)->weeks as $w => $week) {
            foreach ($week->sessions as $s => $session) {
                foreach ($session->items as $i => $item) {
                    if (!Today::may($item, $poses)->isYes()) {
                        $barred["$w-$s-$i"] = true;
                    }
                }
            }
        }

        return $barred;
    }

    /** @return array<string, true> the days on which nothing of a plan is left */
    public function empty(?PracticePlan $kept, ?ReadPoses $poses): array
    {
        $empty = [];
        foreach (null === $kept ? [] : $this->plan($kept)->sessions() as $session) {
            if ([] !== $session->items && !Today::of($session, $poses)->session->hasWork()) {
                $empty[CalendarDay::of($session->on)] = true;
            }
        }

        return $empty;
    }
}
