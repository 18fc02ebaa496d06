<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Plan\KeptPlans;
use LucidAscent\App\Text\ReasonText;
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
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A plan changed by hand, item by item, and taken back: each change is a new version, and none breaks a hard rule. */
final class PlanChangeController extends TeacherController
{
    private const TO_DAY = '/^to-(\d{1,2})$/';

    public function __construct(
        private readonly ReadPerson $person,
        private readonly KeptPlans $plans,
        private readonly Catalogue $catalogue,
        private readonly ReasonText $texts,
    ) {
    }

    #[Route('/practitioners/{id}/plans/{plan}/change', 'plan_change', methods: ['POST'])]
    public function change(string $id, string $plan, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->records->plan($practitioner, $plan);
        $this->checkToken(PlanController::TOKEN, $request);
        $poses = $this->person->now($practitioner);
        [$week, $session, $item, $change] = [$request->request->getInt('week'), $request->request->getInt('session'), $request->request->getInt('item'), $request->request->getString('change')];
        $weeks = $this->plans->plan($plan);
        $isKnown = in_array($change, Edits::NAMES, true) || 1 === preg_match(self::TO_DAY, $change);
        if (null === $poses || !$isKnown || !isset($weeks->session($week, $session)->items[$item])) {
            throw $this->createNotFoundException();
        }
        $newest = $this->records->newestPlan($practitioner);
        if ($newest !== $plan) {
            return $this->changedElsewhere($practitioner, $newest, $request);
        }
        $why = trim($request->request->getString('why'));
        if (in_array($change, ['easier', 'harder'], true) && '' === $why) {
            return $this->refused($plan, $week, $this->say('Not changed. Another rung than the proposed one needs a reason.'), $request);
        }
        $changed = $this->after($weeks->weeks[$week]->sessions, $session, $item, $change, $poses);
        $broken = [] === $changed ? [new Reason('rule.no-day', Source::Own)] : $this->broken($plan, $weeks, $week, $changed, $poses);
        if ([] !== $broken) {
            return $this->refused($plan, $week, $this->say('Not changed. %rules%', ['%rules%' => implode(' ', array_map($this->texts->text(...), $broken))]), $request);
        }

        return $this->kept($plan, $weeks->with($week, $changed), [], $plan->id, trim("$change $why"), $week, $request);
    }

    /** The change before is taken back, or what was taken back is done again: as far as no rule has come to forbid it. */
    #[Route('/practitioners/{id}/plans/{plan}/{direction}', 'plan_undo', requirements: ['direction' => 'undo|redo'], methods: ['POST'])]
    public function undo(string $id, string $plan, string $direction, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->records->plan($practitioner, $plan);
        $this->checkToken(PlanController::TOKEN, $request);
        $poses = $this->person->now($practitioner);
        $newest = $this->records->newestPlan($practitioner);
        if ($newest !== $plan) {
            return $this->changedElsewhere($practitioner, $newest, $request);
        }
        $redo = KeptPlans::redo($plan);
        $name = 'undo' === $direction ? ('' === $plan->changed ? null : (string) $plan->replaces) : ($redo[0] ?? null);
        if (null === $poses || null === $name) {
            return $this->refused($plan, 0, $this->say('There is nothing to take back.'), $request);
        }
        $other = $this->records->plan($practitioner, $name);
        $weeks = $this->plans->plan($plan);
        $opened = 0;
        $broken = [];
        $today = Day::of($this->clock->now());
        foreach ($this->plans->plan($other)->weeks as $w => $week) {
            $changed = [];
            foreach ($week->sessions as $s => $session) {
                // What is past stays as it was practised.
                if (Day::of($session->on) >= $today && !$this->plans->isSame($session, $weeks->session($w, $s))) {
                    $changed[$s] = $session;
                }
            }
            if ([] !== $changed) {
                $opened = $w;
                $broken = [...$broken, ...$this->broken($plan, $weeks, $w, $changed, $poses)];
                $weeks = $weeks->with($w, $changed);
            }
        }
        if ([] !== $broken) {
            return $this->refused($plan, $opened, $this->say('Not changed. %rules%', ['%rules%' => implode(' ', array_map($this->texts->text(...), $broken))]), $request);
        }
        // Going back leads to what stood before that one; going forward, to this one.
        [$redo, $replaces, $said] = 'undo' === $direction ? [[(string) $plan->id, ...$redo], $other->replaces, $other->changed] : [array_slice($redo, 1), $plan->id, $other->changed];

        return $this->kept($plan, $weeks, $redo, $replaces, $said, $opened, $request);
    }

    /**
     * @param array<int, PlannedSession> $changed sessions of a week that become other ones, by place
     *
     * @return list<Reason>
     */
    private function broken(PracticePlan $kept, Plan $plan, int $week, array $changed, ReadPoses $poses): array
    {
        $asked = KeptPlans::asked($kept);
        $broken = array_merge(...array_values(array_map(static fn (PlannedSession $one): array => SessionRules::broken($one, $asked->request->minutes, $poses), $changed)));
        if ([] !== $broken) {
            return $broken;
        }
        // Days apart are counted over the end of a week, too.
        $after = $plan->with($week, $changed);
        $around = array_merge(...array_map(static fn (int $w): array => ($after->weeks[$w] ?? null)->sessions ?? [], [$week - 1, $week, $week + 1]));

        return SessionRules::tooClose($around, $this->catalogue->dose($asked->school)->daysApart, $poses);
    }

    /**
     * @param list<PlannedSession> $sessions of one week
     *
     * @return array<int, PlannedSession> the sessions that a change makes other, by place; none when there is no such day in the week
     */
    private function after(array $sessions, int $at, int $item, string $change, ReadPoses $poses): array
    {
        $today = Day::of($this->clock->now());
        $isPast = static fn (PlannedSession $session): bool => Day::of($session->on) < $today;
        if ($isPast($sessions[$at])) {
            return [];
        }
        if (1 !== preg_match(self::TO_DAY, $change, $to)) {
            $edit = Edits::named($change, $this->catalogue->practice(), $poses);

            return null === $edit ? [] : [$at => $edit->apply($sessions[$at], $item)];
        }
        $to = (int) $to[1];
        if ($to === $at || !isset($sessions[$to]) || $isPast($sessions[$to])) {
            return [];
        }
        [$from, $into] = ToAnotherDay::move($sessions[$at], $item, $sessions[$to]);

        return [$at => $from, $to => $into];
    }

    /** @param list<string> $redo ids of versions that were taken back, and can be done again */
    private function kept(PracticePlan $plan, Plan $newPlan, array $redo, ?Uuid $replaces, string $said, int $week, Request $request): Response
    {
        $content = $this->plans->write($newPlan) + array_intersect_key($plan->plan, ['carriedOn' => 0]) + ([] === $redo ? [] : ['redo' => $redo]);
        $newer = new PracticePlan(Uuid::v7(), $plan->practitioner, $this->teacher(), $this->clock->now(), Rules::VERSION, $plan->request, $content, $replaces, mb_substr($said, 0, 200));
        $this->records->add($newer);
        $this->addFlash('done', 'The plan is changed; the one before is kept.');

        return $this->to($newer, $week, $request);
    }

    private function changedElsewhere(Practitioner $practitioner, ?PracticePlan $newest, Request $request): Response
    {
        $this->addFlash('hint', 'This plan was changed in another window: nothing was changed here. This is the newer one.');

        return null === $newest ? $this->redirectToRoute('practitioner', ['id' => $practitioner->id]) : $this->to($newest, 0, $request);
    }

    private function refused(PracticePlan $plan, int $week, string $why, Request $request): Response
    {
        if (self::isScript($request)) {
            return new JsonResponse(['refused' => $why], Response::HTTP_UNPROCESSABLE_ENTITY);
        }
        $this->addFlash('hint', $why);

        return $this->to($plan, $week, $request);
    }

    private function to(PracticePlan $plan, int $week, Request $request): Response
    {
        $address = $this->generateUrl('plan', ['id' => $plan->practitioner->id, 'plan' => $plan->id, 'week' => $week + 1]);

        return self::isScript($request) ? new JsonResponse(['address' => $address]) : $this->redirect($address);
    }

    private static function isScript(Request $request): bool
    {
        return 'application/json' === $request->headers->get('Accept');
    }
}
