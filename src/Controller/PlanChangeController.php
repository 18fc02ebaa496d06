<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Plan\StoredPlan;
use LucidAscent\App\Twig\ReasonExtension;
use LucidAscent\Core\Calendar\Day;
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
    private const CHANGES = ['skip', 'earlier', 'later', 'longer', 'shorter', 'easier', 'harder', 'lock', 'unlock'];
    private const TO_DAY = '/^to-(\d{1,2})$/';

    public function __construct(
        private readonly ReadPerson $person,
        private readonly StoredPlan $stored,
        private readonly Catalogue $catalogue,
        private readonly ReasonExtension $texts,
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
        $weeks = $plan->plan['weeks'];
        $isKnown = in_array($change, self::CHANGES, true) || 1 === preg_match(self::TO_DAY, $change);
        if (null === $poses || !$isKnown || !isset($weeks[$week]['sessions'][$session]['items'][$item])) {
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
        $changed = $this->after($plan, $weeks[$week]['sessions'], $session, $item, $change);
        $broken = [] === $changed ? [new Reason('rule.no-day', Source::Own)] : $this->broken($plan, $weeks, $week, $changed, $poses);
        if ([] !== $broken) {
            return $this->refused($plan, $week, $this->say('Not changed. %rules%', ['%rules%' => implode(' ', array_map($this->texts->text(...), $broken))]), $request);
        }
        $weeks[$week]['sessions'] = array_values(array_replace($weeks[$week]['sessions'], $changed));

        return $this->kept($plan, ['weeks' => $weeks] + array_diff_key($plan->plan, ['redo' => 0]), $plan->id, trim("$change $why"), $week, $request);
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
        $redo = $plan->plan['redo'] ?? [];
        $name = 'undo' === $direction ? ('' === $plan->changed ? null : (string) $plan->replaces) : ($redo[0] ?? null);
        if (null === $poses || null === $name) {
            return $this->refused($plan, 0, $this->say('There is nothing to take back.'), $request);
        }
        $other = $this->records->plan($practitioner, $name);
        $weeks = $plan->plan['weeks'];
        $opened = 0;
        $broken = [];
        foreach ($other->plan['weeks'] as $w => $week) {
            // What is past stays as it was practised.
            $changed = array_filter($week['sessions'], fn (array $session, int $s): bool => $session !== ($weeks[$w]['sessions'][$s] ?? null) && $session['date'] >= Day::of($this->clock->now()), ARRAY_FILTER_USE_BOTH);
            if ([] !== $changed) {
                $opened = $w;
                $broken = [...$broken, ...$this->broken($plan, $weeks, $w, $changed, $poses)];
                $weeks[$w]['sessions'] = array_values(array_replace($weeks[$w]['sessions'], $changed));
            }
        }
        if ([] !== $broken) {
            return $this->refused($plan, $opened, $this->say('Not changed. %rules%', ['%rules%' => implode(' ', array_map($this->texts->text(...), $broken))]), $request);
        }
        // Going back leads to what stood before that one; going forward, to this one.
        [$redo, $replaces, $said] = 'undo' === $direction ? [[(string) $plan->id, ...$redo], $other->replaces, $other->changed] : [array_slice($redo, 1), $plan->id, $other->changed];

        return $this->kept($plan, ['weeks' => $weeks, 'redo' => $redo] + $plan->plan, $replaces, $said, $opened, $request);
    }

    /**
     * @param array<int, array<string, mixed>> $weeks
     * @param array<int, array<string, mixed>> $changed sessions of a week that become other ones
     *
     * @return list<Reason>
     */
    private function broken(PracticePlan $plan, array $weeks, int $week, array $changed, ReadPoses $poses): array
    {
        $planned = fn (array $session): PlannedSession => $this->stored->session($session, $this->catalogue->dose($plan->schoolOn($session['date'])));
        $broken = array_merge(...array_map(static fn (array $one): array => SessionRules::broken($planned($one), $plan->request['minutes'], $poses), array_values($changed)));

        // Days apart are counted over the end of a week, too.
        $around = [...$weeks[$week - 1]['sessions'] ?? [], ...array_values(array_replace($weeks[$week]['sessions'], $changed)), ...$weeks[$week + 1]['sessions'] ?? []];

        return [] === $broken ? SessionRules::tooClose(array_values(array_map($planned, $around)), $this->catalogue->dose($plan->request['school'] ?? null)->daysApart, $poses) : $broken;
    }

    /**
     * @param list<array<string, mixed>> $sessions of one week
     *
     * @return array<int, array<string, mixed>> the sessions that a change makes other; none when there is no such day in the week
     */
    private function after(PracticePlan $plan, array $sessions, int $at, int $item, string $change): array
    {
        $today = Day::of($this->clock->now());
        if (1 !== preg_match(self::TO_DAY, $change, $to)) {
            return $sessions[$at]['date'] < $today ? [] : [$at => $this->stored->changed($sessions[$at], $item, $change, $this->catalogue->dose($plan->schoolOn($sessions[$at]['date'])))];
        }
        $to = (int) $to[1];
        if ($to === $at || !isset($sessions[$to]) || $sessions[$to]['date'] < $today || $sessions[$at]['date'] < $today) {
            return [];
        }
        [$from, $into] = $this->stored->moved($sessions[$at], $item, $sessions[$to]);

        return [$at => $from, $to => $into];
    }

    /** @param array<string, mixed> $content */
    private function kept(PracticePlan $plan, array $content, ?Uuid $replaces, string $said, int $week, Request $request): Response
    {
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
