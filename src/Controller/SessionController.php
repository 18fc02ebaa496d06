<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\JsonText;
use LucidAscent\App\Log\SessionLogs;
use LucidAscent\App\Person\ComparedWays;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Plan\LayOut;
use LucidAscent\App\Plan\PlanText;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Planning\MakePlan;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\App\Repository\TestRecords;
use LucidAscent\App\Security\QueueKey;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Plan\PainInSession;
use LucidAscent\Core\Testing\SmallestChange;
use LucidAscent\Core\Testing\Tool;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;
use Symfony\Component\Uid\Uuid;

/** A session as it is practised, and its log. */
final class SessionController extends TeacherController
{
    public const TOKEN = 'session';
    private const LONGEST = 60_000;

    public function __construct(
        private readonly TestRecords $testRecords,
        private readonly PlanRecords $planRecords,
        private readonly Catalogue $catalogue,
        private readonly ReadPerson $person,
        private readonly StoredPlans $plans,
        private readonly SessionLogs $sessionLogs,
        private readonly QueueKey $queueKey,
        private readonly PlanText $text,
        private readonly ComparedWays $ways,
        private readonly LayOut $layOut,
        private readonly MakePlan $makePlan,
    ) {
    }

    #[Route(
        '/practitioners/{id}/plans/{plan}/sessions/{week}-{session}',
        'session',
        requirements: ['week' => '[0-9]{1,2}', 'session' => '[0-9]'],
        methods: ['GET'],
    )]
    public function practise(string $id, string $plan, int $week, int $session): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->planRecords->plan($practitioner, $plan);
        $poses = $this->person->now($practitioner);
        $planned =
            $this->plans->keepingShort($plan, $poses)->session($week, $session) ??
            throw $this->createNotFoundException();
        $pains = new PainInSession();
        ['items' => $items, 'out' => $out] = $this->text->today($planned, $poses, $pains);
        $items = $this->ways->into($items, $practitioner);
        $shown = $this->text->session($planned);
        $errors = $this->testRecords->toolErrors($this->teacher());

        return $this->render('plan/session.html.twig', [
            'body' => $this->records->body($practitioner)?->proportions(),
            'practitioner' => $practitioner,
            'plan' => $plan,
            'session' => $shown,
            'items' => $items,
            'layOut' => $this->layOut->of($items, StoredPlans::asked($plan)),
            // The mean of two readings against the mean of two others.
            'noise' => SmallestChange::between($errors->sd(Tool::Tape, 'cm')),
            'out' => $out,
            'measure' => 'cm' === ($shown['before']['unit'] ?? '') ? $shown['before'] : null,
            'pains' => $pains->answers,
            'log' => (string) Uuid::v7(),
            'token' => self::TOKEN,
            'queue' => ['owner' => (string) $this->teacher()->id, 'key' => $this->queueKey->of($this->teacher())],
        ]);
    }

    /** Logs that wait on this device: what the server would not take is shown, and can be mended. */
    #[Route('/waiting-logs', 'waiting_logs', methods: ['GET'])]
    public function waiting(): Response
    {
        return $this->render('plan/waiting.html.twig', [
            'names' => $this->catalogue->names(Kind::Posture) + $this->catalogue->names(Kind::Drill),
        ]);
    }

    /** A token of this session, for logs that waited while an older one ended. */
    #[Route('/session-token', 'session_token', methods: ['GET'])]
    public function token(CsrfTokenManagerInterface $tokens): JsonResponse
    {
        return new JsonResponse(
            [
                'token' => $tokens->getToken(self::TOKEN)->getValue(),
                'owner' => (string) $this->teacher()->id,
                'key' => $this->queueKey->of($this->teacher()),
            ],
            headers: ['Cache-Control' => 'no-store'],
        );
    }

    /** What was practised; the same log sent twice is kept once, and what it says of pain is never dropped. */
    #[Route('/practitioners/{id}/plans/{plan}/log', 'session_log', methods: ['POST'])]
    public function log(string $id, string $plan, Request $request): JsonResponse
    {
        $plan = $this->planRecords->ofTeacher($this->teacher(), $plan);
        // A log that waited on a device may be of somebody who was merged since: it goes to the one who stays.
        $practitioner = $plan->practitioner ?? $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        $address =
            null === $plan
                ? $this->generateUrl('practitioner', ['id' => $practitioner->id])
                : $this->generateUrl('plan', ['id' => $practitioner->id, 'plan' => $plan->id]);
        $sent = JsonText::decode($request->getContent(), self::LONGEST);
        try {
            $log = Fields::of($sent);
            if (null !== $this->sessionLogs->told($log, $practitioner, $this->teacher())) {
                return new JsonResponse(['address' => $address, 'known' => false]);
            }
            $entry = Uuid::isValid($log->text('id'))
                ? Uuid::fromString($log->text('id'))
                : throw InvalidValue::because('id', 'is none.');
            null !== $plan || throw InvalidValue::because('plan', 'is not there any more.');
            $known = $this->records->knows(SessionLog::class, $entry);
            $read = $this->sessionLogs->read($log, $entry, $practitioner, $plan, $this->teacher());
            $this->records->together(function () use ($known, $read, $practitioner): void {
                if (!$known) {
                    $this->records->addOnce(...$read->records);
                }
                $this->sessionLogs->hear($read, $practitioner, $this->teacher(), $known);
            });
            // What hurt stays in sight where it was planned: then the plan is left as it is.
            if (!$known && !$read->hurts() && $this->planRecords->newestPlan($practitioner) === $plan) {
                $onward = $this->makePlan->onward($plan, $this->teacher());
                if (null !== $onward) {
                    $this->records->add($onward);
                }
            }
        } catch (InvalidValue $e) {
            $this->sessionLogs->hearUnread($sent ?? $request->getContent(), $practitioner, $this->teacher());

            return new JsonResponse(['error' => $e->getMessage()], 422);
        }

        // A note that speaks of pain asks at once where and how it is.
        $ask = $read->asks() ? ['ask' => $this->generateUrl('came_in', ['id' => $practitioner->id])] : [];

        return new JsonResponse(['address' => $address, 'known' => $known] + $ask);
    }

    #[Route('/practitioners/{id}/checks/{check}/referral', 'referral', methods: ['GET'])]
    public function referral(string $id, string $check): Response
    {
        $practitioner = $this->practitioner($id);
        $record = $this->records->check($practitioner, $check);
        $ladder = $this->catalogue->ladder($record->ladder);

        return $this->render('plan/referral.html.twig', [
            'practitioner' => $practitioner,
            'check' => $record,
            'ladder' => $ladder,
            'rung' => $ladder->has($record->rung) ? $ladder->rung($record->rung)->name : $record->rung,
            'holds' => $this->person->holds($practitioner)->active,
        ]);
    }
}
