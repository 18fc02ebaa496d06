<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Planning\ChangePlan;
use LucidAscent\App\Planning\PlanChange;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\App\Text\ReasonText;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A plan changed by hand, item by item, and taken back: each change is a new version, and none breaks a hard rule. */
final class PlanChangeController extends TeacherController
{
    public function __construct(
        private readonly PlanRecords $planRecords,
        private readonly ReadPerson $person,
        private readonly StoredPlans $plans,
        private readonly ChangePlan $change,
        private readonly ReasonText $texts,
    ) {
    }

    #[Route('/practitioners/{id}/plans/{plan}/change', 'plan_change', methods: ['POST'])]
    public function change(string $id, string $plan, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->planRecords->plan($practitioner, $plan);
        $this->checkToken(PlanController::TOKEN, $request);
        $poses = $this->person->now($practitioner);
        [$week, $session, $item, $change] = [
            $request->request->getInt('week'),
            $request->request->getInt('session'),
            $request->request->getInt('item'),
            $request->request->getString('change'),
        ];
        if (
            null === $poses
            || !ChangePlan::isKnown($change)
            || !isset($this->plans->plan($plan)->session($week, $session)->items[$item])
        ) {
            throw $this->createNotFoundException();
        }
        $newest = $this->planRecords->newestPlan($practitioner);
        if ($newest !== $plan) {
            return $this->changedElsewhere($practitioner, $newest, $request);
        }
        $why = trim($request->request->getString('why'));

        return $this->answer(
            $plan,
            $this->change->change($plan, $week, $session, $item, $change, $why, $poses, $this->teacher()),
            $request,
        );
    }

    /**
     * The change before is taken back, or what was taken back is done again: as far as no rule has come to forbid it.
     */
    #[Route(
        '/practitioners/{id}/plans/{plan}/{direction}',
        'plan_undo',
        requirements: ['direction' => 'undo|redo'],
        methods: ['POST'],
    )]
    public function undo(string $id, string $plan, string $direction, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->planRecords->plan($practitioner, $plan);
        $this->checkToken(PlanController::TOKEN, $request);
        $poses = $this->person->now($practitioner);
        $newest = $this->planRecords->newestPlan($practitioner);
        if ($newest !== $plan) {
            return $this->changedElsewhere($practitioner, $newest, $request);
        }
        $to = ChangePlan::leadsTo($plan, 'undo' === $direction);
        if (null === $poses || null === $to) {
            return $this->refused($plan, 0, $this->say('plan.undo.none'), $request);
        }
        $to = $this->planRecords->plan($practitioner, $to);

        return $this->answer(
            $plan,
            $this->change->go($plan, $to, 'undo' === $direction, $poses, $this->teacher()),
            $request,
        );
    }

    private function answer(PracticePlan $plan, PlanChange $changed, Request $request): Response
    {
        if (null === $changed->newer) {
            $rules = implode(' ', array_map($this->texts->text(...), $changed->broken));

            return $this->refused(
                $plan,
                $changed->week,
                $this->say('plan.change.refused', ['rules' => $rules]),
                $request,
            );
        }
        $this->records->add($changed->newer);
        $this->addFlash('done', 'plan.change.done');

        return $this->to($changed->newer, $changed->week, $request);
    }

    private function changedElsewhere(Practitioner $practitioner, ?PracticePlan $newest, Request $request): Response
    {
        $this->addFlash(
            'hint',
            'plan.change.meanwhile',
        );

        return null === $newest
            ? $this->redirectToRoute('practitioner', ['id' => $practitioner->id])
            : $this->to($newest, 0, $request);
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
        $address = $this->generateUrl('plan', [
            'id' => $plan->practitioner->id,
            'plan' => $plan->id,
            'week' => $week + 1,
        ]);

        return self::isScript($request) ? new JsonResponse(['address' => $address]) : $this->redirect($address);
    }

    private static function isScript(Request $request): bool
    {
        return 'application/json' === $request->headers->get('Accept');
    }
}
