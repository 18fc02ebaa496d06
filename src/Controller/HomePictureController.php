<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Device\MarkRungPicture;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\PractitionerAccess\AccessDoor;
use LucidAscent\App\PractitionerAccess\HomePictures;
use LucidAscent\App\PractitionerAccess\PractitionerPages;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Body\Side;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** A picture of a rung that the practitioner marks. It stays on the device until it is sent to the teacher. */
#[Route(
    '/own/picture/{posture}/{rung}/{side}',
    requirements: ['side' => 'left|right', 'posture' => '[a-z0-9:-]+', 'rung' => '[a-z0-9-]+'],
)]
final class HomePictureController extends AbstractController
{
    public function __construct(
        private readonly AccessDoor $door,
        private readonly PractitionerPages $pages,
        private readonly HomePictures $pictures,
        private readonly MarkRungPicture $mark,
        private readonly Records $records,
    ) {
    }

    #[Route('', 'own_picture_mark', methods: ['GET'])]
    public function page(string $posture, string $rung, Side $side, Request $request): Response
    {
        $practitioner = $this->door->opened($request);
        if (null === $practitioner) {
            return $this->redirectToRoute('own');
        }
        $this->checkOffered($practitioner, $posture, $rung, $side);
        $body = $this->records->body($practitioner)?->proportions() ?? throw $this->createNotFoundException();

        return $this->render(
            'own/picture.html.twig',
            [
                'practitioner' => $practitioner,
                'token' => $this->door->token($request),
                'device' => null,
                'of' => null,
            ] + $this->mark->page($posture, $rung, $side, $body),
        );
    }

    #[Route('', 'own_picture_read', methods: ['POST'])]
    public function read(string $posture, string $rung, Side $side, Request $request): JsonResponse
    {
        $practitioner = $this->sender($posture, $rung, $side, $request);

        return $this->mark->read(
            $posture,
            $rung,
            $side,
            $this->records->body($practitioner)?->proportions(),
            $request,
        );
    }

    #[Route('/keep', 'own_picture_send', methods: ['POST'])]
    public function keep(string $posture, string $rung, Side $side, Request $request): JsonResponse
    {
        $practitioner = $this->sender($posture, $rung, $side, $request);
        $kept = $this->mark->keep($practitioner, $practitioner->teacher, "$posture/$rung", $side, $request);
        if ($kept instanceof JsonResponse) {
            return $kept;
        }
        $this->records->addOnce(
            $kept,
            new FromPractitioner($kept->id, $practitioner, $kept->at, FromPractitioner::PICTURE),
        );

        return new JsonResponse(['address' => $this->generateUrl('own_question_picture', ['picture' => $kept->id])]);
    }

    private function sender(string $posture, string $rung, Side $side, Request $request): Practitioner
    {
        $practitioner = $this->door->opened($request);
        if (null === $practitioner || !$this->door->isTokenOf($request)) {
            throw new AccessDeniedHttpException();
        }
        $this->checkOffered($practitioner, $posture, $rung, $side);

        return $practitioner;
    }

    /** Held meanwhile, not allowed any more, or none of this week's. */
    private function checkOffered(Practitioner $practitioner, string $posture, string $rung, Side $side): void
    {
        foreach ($this->pictures->offered($practitioner, $this->pages->sessions($practitioner)) as $one) {
            if ($posture === $one['posture'] && $rung === $one['rung'] && $side === $one['side']) {
                return;
            }
        }
        throw $this->createNotFoundException();
    }
}
