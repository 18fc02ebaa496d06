<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Device\MarkRungPicture;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Repository\PictureRecords;
use LucidAscent\Core\Body\Side;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A picture of a rung: the lines that it is judged by, beside those of its figure. It stays here unless it is kept. */
#[Route(
    '/practitioners/{id}/ladder/{posture}/{rung}/picture/{side}',
    requirements: ['side' => 'left|right', 'posture' => '[a-z0-9:-]+', 'rung' => '[a-z0-9-]+'],
)]
final class RungPictureController extends TeacherController
{
    private const TOKEN = 'rung_picture';
    /** So many of those that were kept are shown. */
    private const SHOWN = 6;

    public function __construct(
        private readonly MarkRungPicture $mark,
        private readonly ReadPerson $person,
        private readonly PictureRecords $pictureRecords,
    ) {
    }

    #[Route('', 'rung_picture', methods: ['GET'])]
    public function page(string $id, string $posture, string $rung, Side $side, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $this->checkRung($posture, $rung);
        $body = $this->person->now($practitioner)?->person->proportions;
        if (null === $body) {
            return $this->bodyFirst($practitioner);
        }
        $of = $request->query->getString('of');

        return $this->render(
            'rung_picture.html.twig',
            [
                'practitioner' => $practitioner,
                'of' => '' === $of ? null : $this->pictureRecords->picture($practitioner, $of),
                'kept' => array_map(
                    fn (StoredPicture $one): array => [
                        'picture' => $one,
                        'lines' => $this->mark->ofKept($one, $body),
                    ],
                    array_slice($this->kept($practitioner, "$posture/$rung", $side), 0, self::SHOWN),
                ),
                'token' => self::TOKEN,
            ] + $this->mark->page($posture, $rung, $side, $body),
        );
    }

    #[Route('', 'rung_picture_read', methods: ['POST'])]
    public function read(string $id, string $posture, string $rung, Side $side, Request $request): JsonResponse
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        $this->checkRung($posture, $rung);
        $body = $this->person->now($practitioner)?->person->proportions;

        return $this->mark->read($posture, $rung, $side, $body, $request);
    }

    #[Route('/keep', 'rung_picture_keep', methods: ['POST'])]
    public function keep(string $id, string $posture, string $rung, Side $side, Request $request): JsonResponse
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        $this->checkRung($posture, $rung);
        $kept = $this->mark->keep($practitioner, $this->teacher(), "$posture/$rung", $side, $request);
        if ($kept instanceof JsonResponse) {
            return $kept;
        }
        $this->records->addOnce($kept);

        return new JsonResponse(['address' => $this->generateUrl('picture', ['id' => $id, 'picture' => $kept->id])]);
    }

    /** @return list<StoredPicture> of one side of a rung, the newest first */
    private function kept(Practitioner $practitioner, string $rung, Side $side): array
    {
        return array_values(
            array_filter(
                $this->pictureRecords->pictures($practitioner),
                static fn (StoredPicture $one): bool => $rung === $one->test && $side === $one->side,
            ),
        );
    }

    private function checkRung(string $posture, string $rung): void
    {
        $this->mark->knows($posture, $rung) || throw $this->createNotFoundException();
    }
}
