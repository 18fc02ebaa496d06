<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Audit\AuditTrail;
use LucidAscent\App\PractitionerAccess\AccessDoor;
use LucidAscent\App\Repository\StudioRecords;
use LucidAscent\App\Studio\SharedRecord;
use LucidAscent\App\Studio\WithdrawConsent;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** Who saw the record of the practitioner whose page is open. */
final class OwnAuditController extends AbstractController
{
    private const SHOWN = 100;

    #[Route('/own/who', 'own_who', methods: ['GET'])]
    public function who(Request $request, AccessDoor $door, AuditTrail $trail, StudioRecords $studio): Response
    {
        $practitioner = $door->opened($request);
        if (null === $practitioner) {
            return $this->redirectToRoute('own');
        }

        $sharings = $studio->sharings($practitioner);
        $ends = [];
        foreach ($sharings as $one) {
            $ends[(string) $one->id] = $this->generateUrl('own_sharing_end', ['sharing' => $one->id]);
        }

        return $this->render('own/who.html.twig', [
            'practitioner' => $practitioner,
            'days' => $trail->ofPerson($practitioner->id, self::SHOWN),
            'sharings' => $sharings,
            'ends' => $ends,
            'token' => $door->token($request),
            'device' => null,
        ]);
    }

    /** Whoever agreed to it can end it. */
    #[Route('/own/sharing/{sharing}/end', 'own_sharing_end', methods: ['POST'])]
    public function end(string $sharing, Request $request, AccessDoor $door, SharedRecord $shared): Response
    {
        $practitioner = $door->opened($request);
        if (null === $practitioner) {
            return $this->redirectToRoute('own');
        }
        if (!$door->isTokenOf($request)) {
            throw new AccessDeniedHttpException();
        }
        $shared->end($practitioner, $sharing, null);

        return $this->redirectToRoute('own_who');
    }

    /** From here on nothing more is recorded, and this page is shut. */
    #[Route('/own/consent', 'own_consent', methods: ['POST'])]
    public function withdraw(Request $request, AccessDoor $door, WithdrawConsent $consent): Response
    {
        $practitioner = $door->opened($request);
        if (null !== $practitioner) {
            if (!$door->isTokenOf($request)) {
                throw new AccessDeniedHttpException();
            }
            $consent->withdraw($practitioner, null);
        }

        return $this->redirectToRoute('own');
    }
}
