<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Device\UnfitPicture;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RungPictures;
use LucidAscent\App\Repository\PictureRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Picture\CameraView;
use LucidAscent\Core\Picture\Landmark;
use LucidAscent\Core\Picture\ReadLine;
use LucidAscent\Core\Picture\RungPicture;
use LucidAscent\Core\Picture\UnreadPicture;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

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
        private readonly Catalogue $catalogue,
        private readonly ReadPerson $person,
        private readonly RungPictures $pictures,
        private readonly PictureRecords $pictureRecords,
        private readonly PictureStore $store,
    ) {
    }

    #[Route('', 'rung_picture', methods: ['GET'])]
    public function page(string $id, string $posture, string $rung, Side $side, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $this->checkRung($posture, $rung);
        $poses = $this->person->now($practitioner);
        if (null === $poses) {
            return $this->bodyFirst($practitioner);
        }
        $of = $request->query->getString('of');

        return $this->render('rung_picture.html.twig', [
            'practitioner' => $practitioner,
            'posture' => $this->catalogue->postures()[$posture],
            'rung' => $this->catalogue->ladder($posture)->rung($rung),
            'side' => $side,
            'body' => $poses->person->proportions,
            'view' => $this->pictures->view($posture, $rung),
            'views' => CameraView::cases(),
            'lines' => $this->pictures->lines($posture, $rung, $side, $poses->person->proportions),
            'landmarks' => Landmark::cases(),
            'of' => '' === $of ? null : $this->pictureRecords->picture($practitioner, $of),
            'kept' => array_map(
                fn (StoredPicture $one): array => [
                    'picture' => $one,
                    'lines' => array_map(
                        $this->said(...),
                        $this->pictures->ofKept($one, $poses->person->proportions),
                    ),
                ],
                array_slice($this->kept($practitioner, "$posture/$rung", $side), 0, self::SHOWN),
            ),
            'least' => RungPicture::LEAST,
            'token' => self::TOKEN,
        ]);
    }

    #[Route('', 'rung_picture_read', methods: ['POST'])]
    public function read(string $id, string $posture, string $rung, Side $side, Request $request): JsonResponse
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        $this->checkRung($posture, $rung);
        $body = $this->person->now($practitioner)?->person->proportions;
        $sent = $request->request;
        $points = RungPictures::points($sent->getString('points', '{}'));
        $view = CameraView::tryFrom($sent->getString('view'));
        if (null === $points || null === $view || null === $body) {
            return $this->fault('picture.points.wrong');
        }
        [$width, $height] = [max(1, $sent->getInt('width')), max(1, $sent->getInt('height'))];
        try {
            $lines = $this->pictures->read($posture, $rung, $side, $body, $view, $points, $width, $height);
        } catch (UnreadPicture $e) {
            return $this->fault($e->text);
        }

        return new JsonResponse(['lines' => array_map($this->said(...), $lines)]);
    }

    #[Route('/keep', 'rung_picture_keep', methods: ['POST'])]
    public function keep(string $id, string $posture, string $rung, Side $side, Request $request): JsonResponse
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        $this->checkRung($posture, $rung);
        $sent = $request->request;
        $file = $request->files->get('picture');
        $of = $sent->getString('of');
        $known = '' === $of ? null : $this->pictureRecords->picture($practitioner, $of)->id;
        $path = match (true) {
            $file instanceof UploadedFile && $file->isValid() => $file->getPathname(),
            null !== $known && $this->store->has($known) => $this->store->path($known),
            default => null,
        };
        if (null === $path) {
            return $this->fault('picture.none');
        }
        $points = RungPictures::points($sent->getString('points', '{}'));
        $view = CameraView::tryFrom($sent->getString('view'));
        if (null === $points || null === $view) {
            return $this->fault('picture.points.wrong');
        }
        $picture = Uuid::v7();
        try {
            [$width, $height] = $this->store->keep($picture, $path);
        } catch (UnfitPicture $e) {
            return $this->fault($e->getMessage());
        }
        $this->records->add(
            new StoredPicture(
                $picture,
                $practitioner,
                $this->teacher(),
                $this->clock->now(),
                "$posture/$rung",
                $width,
                $height,
                $points,
                $side,
                $view,
            ),
        );

        return new JsonResponse(['address' => $this->generateUrl('picture', ['id' => $id, 'picture' => $picture])]);
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

    private function said(ReadLine $line): string
    {
        return $this->say('picture.line', [
            'line' => $this->say('picture.line.of', ['line' => str_replace('-', '_', $line->line->value)]),
            'degrees' => (int) round($line->degrees),
            'error' => (int) round($line->error),
            'target' => (int) round($line->target),
            'met' => match ($line->isMet()) {
                true => 'yes',
                false => 'no',
                null => 'open',
            },
        ]);
    }

    private function fault(string $text): JsonResponse
    {
        return new JsonResponse(['error' => $this->say($text, ['least' => RungPicture::LEAST])], 422);
    }

    private function checkRung(string $posture, string $rung): void
    {
        if (!isset($this->catalogue->postures()[$posture]) || !$this->catalogue->ladder($posture)->has($rung)) {
            throw $this->createNotFoundException();
        }
    }
}
