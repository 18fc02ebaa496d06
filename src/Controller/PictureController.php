<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Device\PictureResponse;
use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Device\UnfitPicture;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Json\JsonText;
use LucidAscent\App\Json\SentEntry;
use LucidAscent\App\Repository\PictureRecords;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Pictures that a teacher chose to keep with a person's record. */
final class PictureController extends TeacherController
{
    private const LANDMARKS = ['hip', 'knee', 'ankle', 'floorA', 'floorB', 'knownA', 'knownB'];

    public function __construct(private readonly PictureRecords $pictureRecords, private readonly PictureStore $store)
    {
    }

    #[Route(
        '/practitioners/{id}/tests/{test}/pictures',
        'picture_keep',
        requirements: ['test' => '[a-z][a-z0-9-]{0,39}'],
        methods: ['POST'],
    )]
    public function keep(string $id, string $test, Request $request): JsonResponse
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(BenchController::TOKEN, $request);
        $file = $request->files->get('picture');
        if (!($file instanceof UploadedFile) || !$file->isValid()) {
            return new JsonResponse(['error' => $this->say('picture.none')], 422);
        }
        $points = JsonText::shares((string) $request->request->get('points', '{}'), self::LANDMARKS);
        if (null === $points) {
            return new JsonResponse(['error' => $this->say('picture.points.wrong')], 422);
        }
        $picture = SentEntry::id($request->request->get('entry'));
        $answer = new JsonResponse(['address' => $this->generateUrl('picture', ['id' => $id, 'picture' => $picture])]);
        if (null !== $this->pictureRecords->sent($practitioner, $picture)) {
            return $answer;
        }
        try {
            [$width, $height] = $this->store->keep($picture, $file->getPathname());
        } catch (UnfitPicture $e) {
            return new JsonResponse(['error' => $this->say($e->getMessage())], 422);
        }
        $this->records->addOnce(
            new StoredPicture(
                $picture,
                $practitioner,
                $this->teacher(),
                $this->clock->now(),
                $test,
                $width,
                $height,
                $points,
            ),
        );

        return $answer;
    }

    #[Route('/practitioners/{id}/pictures/{picture}', 'picture', methods: ['GET'])]
    public function show(string $id, string $picture): Response
    {
        $kept = $this->pictureRecords->picture($this->practitioner($id), $picture);

        return PictureResponse::of($this->store->read($kept->id));
    }
}
