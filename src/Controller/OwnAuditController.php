<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Audit\AuditTrail;
use LucidAscent\App\PractitionerAccess\AccessDoor;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Who saw the record of the practitioner whose page is open. */
final class OwnAuditController extends AbstractController
{
    private const SHOWN = 100;

    #[Route('/own/who', 'own_who', methods: ['GET'])]
    public function who(Request $request, AccessDoor $door, AuditTrail $trail): Response
    {
        $practitioner = $door->opened($request);
        if (null === $practitioner) {
            return $this->redirectToRoute('own');
        }

        return $this->render('own/who.html.twig', [
            'practitioner' => $practitioner,
            'days' => $trail->ofPerson($practitioner->id, self::SHOWN),
            'device' => null,
        ]);
    }
}
