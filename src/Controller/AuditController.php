<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Audit\Action;
use LucidAscent\App\Audit\AuditTrail;
use LucidAscent\App\Audit\KeptData;
use LucidAscent\App\Repository\AwayPeople;
use LucidAscent\App\Repository\Consents;
use LucidAscent\App\Studio\WithdrawConsent;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Who did what with whose record: for the teacher whose people they are, and for each of these to be told. */
final class AuditController extends TeacherController
{
    private const TOKEN = 'personal_data';
    private const SHOWN = 100;
    private const SHOWN_OF_PERSON = 300;

    public function __construct(private readonly AuditTrail $trail)
    {
    }

    #[Route('/account/audit', 'audit', methods: ['GET'])]
    public function all(Request $request): Response
    {
        $query = $request->query;
        $before = (int) $query->getString('before');
        $entries = $this->trail->entries(
            $this->teacher(),
            Action::tryFrom($query->getString('action')),
            $before > 0 ? $before : PHP_INT_MAX,
            self::SHOWN + 1,
        );

        return $this->render('audit/all.html.twig', [
            'entries' => array_slice($entries, 0, self::SHOWN),
            'older' => count($entries) > self::SHOWN ? $entries[self::SHOWN - 1]['seq'] : null,
            'actions' => Action::cases(),
            'action' => Action::tryFrom($query->getString('action')),
        ]);
    }

    #[Route('/account/personal-data', 'personal_data', methods: ['GET'])]
    public function kept(AwayPeople $away, Consents $consents): Response
    {
        return $this->render('audit/kept.html.twig', [
            'purposes' => array_keys(KeptData::PURPOSES),
            'token' => self::TOKEN,
            'withdrawn' => $consents->allWithdrawn($this->teacher()),
            'months' => KeptData::MONTHS_AWAY,
            'away' => $away->since(
                $this->teacher(),
                $this->clock->now()->modify(sprintf('-%d months', KeptData::MONTHS_AWAY)),
            ),
        ]);
    }

    /** The same to hand out, to somebody who asks. */
    #[Route('/account/personal-data.txt', 'personal_data_file', methods: ['GET'])]
    public function keptAsText(): Response
    {
        $response = $this->render('audit/kept.txt.twig', ['purposes' => array_keys(KeptData::PURPOSES)]);
        $response->headers->add([
            'Content-Type' => 'text/plain; charset=utf-8',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, 'kept.txt'),
        ]);

        return $response;
    }

    #[Route('/account/personal-data/{id}/consent', 'consent_again', methods: ['POST'])]
    public function again(string $id, Request $request, WithdrawConsent $consent): Response
    {
        $this->checkToken(self::TOKEN, $request);
        if (!$consent->giveAgain($this->teacher(), $id)) {
            throw $this->createNotFoundException();
        }
        $this->addFlash('done', 'consent.again.done');

        return $this->redirectToRoute('practitioner', ['id' => $id]);
    }

    #[Route('/practitioners/{id}/who-saw', 'who_saw', methods: ['GET'])]
    public function ofPerson(string $id): Response
    {
        $practitioner = $this->practitioner($id);

        return $this->render('audit/person.html.twig', [
            'practitioner' => $practitioner,
            'days' => $this->trail->ofPerson($practitioner->id, self::SHOWN_OF_PERSON),
        ]);
    }
}
