<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Lab\LabCapacity;
use LucidAscent\App\Lab\SeeWhy;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\Core\Body\Side;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A page to show a practitioner: why a leg goes where it goes, each time two figures and one sentence. */
final class WhyController extends TeacherController
{
    #[Route('/practitioners/{id}/why', 'why', methods: ['GET'])]
    #[CachedPage(['side'])]
    public function why(string $id, Request $request, ReadPerson $person): Response
    {
        $practitioner = $this->practitioner($id);
        $poses = $person->now($practitioner);
        if (null === $poses) {
            return $this->bodyFirst($practitioner);
        }
        $side = Side::tryFrom($request->query->getString('side')) ?? Side::Left;
        $known = LabCapacity::of($poses->person, $side);

        return $this->render('reading/why.html.twig', [
            'practitioner' => $practitioner,
            'side' => $side,
            'isStandIn' => $known->isStandIn['rotation'],
            'holds' => $poses->person->holds->active,
            'shown' => SeeWhy::of($poses->person->proportions, $side, $known->capacity),
        ]);
    }
}
