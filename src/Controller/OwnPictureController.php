<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Device\PictureResponse;
use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Device\UnfitPicture;
use LucidAscent\App\Entity\OwnPicture;
use LucidAscent\App\OwnEntry\OwnCatalogue;
use LucidAscent\App\Repository\PictureRecords;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Pictures of a teacher's own, beside the postures that this teacher wrote. */
final class OwnPictureController extends TeacherController
{
    public const TOKEN = 'own-picture';
    private const MOST_WORDS = 200;

    public function __construct(
        private readonly PictureRecords $pictureRecords,
        private readonly PictureStore $store,
        private readonly OwnCatalogue $own,
    ) {
    }

    #[Route('/library/own/posture/{name}/pictures', 'own_picture_keep', methods: ['POST'])]
    public function keep(string $name, Request $request): Response
    {
        [] !== $this->own->versions($this->teacher(), Kind::Posture, $name)
            || throw $this->createNotFoundException();
        $this->checkToken(self::TOKEN, $request);
        $file = $request->files->get('picture');
        $shows = mb_scrub(trim($request->request->getString('shows')));
        $picture = Uuid::v7();
        try {
            if ('' === $shows || mb_strlen($shows) > self::MOST_WORDS) {
                throw UnfitPicture::wordless();
            }
            if (!($file instanceof UploadedFile) || !$file->isValid()) {
                throw UnfitPicture::noPicture();
            }
            [$width, $height] = $this->store->keep($picture, $file->getPathname());
            $this->records->add(
                new OwnPicture($picture, $this->teacher(), $name, $shows, $this->clock->now(), $width, $height),
            );
            $this->addFlash('done', 'picture.done');
        } catch (UnfitPicture $e) {
            // The page comes back as it was, with what was typed; a browser never sends a chosen file twice by itself.
            return $this->forward(LibraryController::class.'::posture', [
                'id' => $name,
                'refused' => [
                    'because' => $this->say($e->getMessage()),
                    'shows' => $shows,
                    'is_wordless' => $e->isWordless,
                ],
            ])->setStatusCode(Response::HTTP_UNPROCESSABLE_ENTITY);
        }

        return $this->redirectToRoute('library_posture', ['id' => $name, '_fragment' => 'pictures']);
    }

    #[Route('/library/own/pictures/{picture}', 'own_picture', methods: ['GET'])]
    public function show(string $picture): Response
    {
        return PictureResponse::of(
            $this->store->read($this->pictureRecords->ownPicture($this->teacher(), $picture)->id),
        );
    }
}
