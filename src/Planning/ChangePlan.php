<?php

declare(strict_types=1);

namespace LucidAscent\App\Planning;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\Edit\Edits;
use LucidAscent\Core\Plan\Edit\ToAnotherDay;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\SessionRules;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/**
 * A plan changed by hand, item by item, taken back and done again: each change is a new version, what is past stays as
 * it was practised, and none breaks a rule of sessions.
 */
final readonly class ChangePlan
{
    private const TO_DAY = '/^to-(\d{1,2})$/';
    /** Another rung than the proposed one. */
    private const NEEDS_A_REASON = ['easier', 'harder'];

    public function __construct(
        private StoredPlans $plans,
        private Catalogue $catalogue,
        private ClockInterface $clock,
    ) {
    }

    public static function isKnown(string $change): bool
    {
        return in_array($change, Edits::NAMES, true) || 1 === preg_match(self::TO_DAY, $change);
    }

    /**
     * @param int $item its place in the session
     * @param string $change one that is known
     * @param string $why in the teacher's own words
     */
    public function change(
        PracticePlan $kept,
        int $week,
        int $session,
        int $item,
        string $change,
        string $why,
        ReadPoses $poses,
        Teacher $by,
    ): PlanChange {
        if (in_array($change, self::NEEDS_A_REASON, true) && '' === $why) {
            return PlanChange::refused([new Reason('rule.no-reason', Source::Own)], $week);
        }
        $plan = $this->plans->plan($kept);
        $changed = $this->after($plan->weeks[$week]->sessions, $session, $item, $change, $poses);
        $broken =
            [] === $changed
                ? [new Reason('rule.no-day', Source::Own)]
                : $this->broken($kept, $plan, $week, $changed, $poses);

        return [] === $broken
            ? PlanChange::made(
                $this->version($kept, $plan->with($week, $changed), [], $kept->id, trim("$change $why"), $by),
                $week,
            )
            : PlanChange::refused($broken, $week);
    }

    /** @return string|null the version that a plan goes back to, or on to; null when there is none */
    public static function leadsTo(PracticePlan $kept, bool $isBack): ?string
    {
        if ($isBack) {
            return '' === $kept->changed || null === $kept->replaces ? null : (string) $kept->replaces;
        }

        return StoredPlans::redo($kept)[0] ?? null;
    }

    /**
     * The change before is taken back, or what was taken back is done again: as far as no rule has come to forbid it.
     */
    public function go(PracticePlan $kept, PracticePlan $to, bool $isBack, ReadPoses $poses, Teacher $by): PlanChange
    {
        $plan = $this->plans->plan($kept);
        $opened = 0;
        $broken = [];
        foreach ($this->plans->plan($to)->weeks as $w => $week) {
            $changed = [];
            foreach ($week->sessions as $s => $session) {
                if (!$this->isPast($session) && !$this->plans->isSame($session, $plan->session($w, $s))) {
                    $changed[$s] = $session;
                }
            }
            if ([] !== $changed) {
                $opened = $w;
                $broken = [...$broken, ...$this->broken($kept, $plan, $w, $changed, $poses)];
                $plan = $plan->with($w, $changed);
            }
        }
        if ([] !== $broken) {
            return PlanChange::refused($broken, $opened);
        }
        $redo = StoredPlans::redo($kept);

        // Going back leads to what stood before that one; going forward, to this one.
        $newer = $isBack
            ? $this->version($kept, $plan, [(string) $kept->id, ...$redo], $to->replaces, $to->changed, $by)
            : $this->version($kept, $plan, array_slice($redo, 1), $kept->id, $to->changed, $by);

        return PlanChange::made($newer, $opened);
    }

    /**
     * @param array<int, PlannedSession> $changed sessions of a week that become other ones, by place
     *
     * @return list<Reason>
     */
    private function broken(PracticePlan $kept, Plan $plan, int $week, array $changed, ReadPoses $poses): array
    {
        $asked = StoredPlans::asked($kept);
        $broken = array_merge(
            ...array_values(
                array_map(
                    static fn (PlannedSession $one): array => SessionRules::broken(
                        $one,
                        $asked->request->minutes,
                        $poses,
                    ),
                    $changed,
                ),
            ),
        );
        if ([] !== $broken) {
            return $broken;
        }
        // Days apart are counted over the end of a week, too.
        $after = $plan->with($week, $changed);
        $around = array_merge(
            ...array_map(static fn (int $w): array => ($after->weeks[$w] ?? null)->sessions ?? [], [
                $week - 1,
                $week,
                $week + 1,
            ]),
        );

        return SessionRules::tooClose($around, $this->catalogue->dose($asked->school)->daysApart, $poses);
    }

    /**
     * @param list<PlannedSession> $sessions of one week
     *
     * @return array<int, PlannedSession> the sessions that a change makes other, by place; none when there is no such
     *     day in the week
     */
    private function after(array $sessions, int $at, int $item, string $change, ReadPoses $poses): array
    {
        if ($this->isPast($sessions[$at])) {
            return [];
        }
        if (1 !== preg_match(self::TO_DAY, $change, $to)) {
            $edit = Edits::named($change, $this->catalogue->practiceRungs(), $poses);

            return null === $edit ? [] : [$at => $edit->apply($sessions[$at], $item)];
        }
        $to = (int) $to[1];
        if ($to === $at || !isset($sessions[$to]) || $this->isPast($sessions[$to])) {
            return [];
        }
        [$from, $into] = ToAnotherDay::move($sessions[$at], $item, $sessions[$to]);

        return [$at => $from, $to => $into];
    }

    private function isPast(PlannedSession $session): bool
    {
        return Day::of($session->on) < Day::of($this->clock->now());
    }

    /** @param list<string> $redo ids of versions that were taken back, and can be done again */
    private function version(
        PracticePlan $before,
        Plan $plan,
        array $redo,
        ?Uuid $replaces,
        string $said,
        Teacher $by,
    ): PracticePlan {
        $content =
            $this->plans->write($plan) +
            array_intersect_key($before->plan, ['carriedOn' => 0]) +
            ([] === $redo ? [] : ['redo' => $redo]);

        return new PracticePlan(
            Uuid::v7(),
            $before->practitioner,
            $by,
            $this->clock->now(),
            Rules::VERSION,
            $before->request,
            $content,
            $replaces,
            mb_substr($said, 0, 200),
        );
    }
}
