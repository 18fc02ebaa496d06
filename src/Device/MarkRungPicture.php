<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Json\SentEntry;
use LucidAscent\App\Person\RungPictures;
use LucidAscent\App\Repository\PictureRecords;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Picture\CameraView;
use LucidAscent\Core\Picture\Landmark;
use LucidAscent\Core\Picture\ReadLine;
use LucidAscent\Core\Picture\RungPicture;
use LucidAscent\Core\Picture\UnreadPicture;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Contracts\Translation\TranslatorInterface;

/** Landmarks on a picture of a rung, whoever marks them: what the page needs, what its lines say, and keeping it. */
final readonly class MarkRungPicture
{
    public function __construct(
        private Catalogue $catalogue,
        private RungPictures $pictures,
        private PictureRecords $pictureRecords,
        private PictureStore $store,
        private ClockInterface $clock,
        private TranslatorInterface $translator,
    ) {
    }

    public function knows(string $posture, string $rung): bool
    {
        return isset($this->catalogue->postures()[$posture]) && $this->catalogue->ladder($posture)->has($rung);
    }

    /** @return array<string, mixed> what a page with a picture of a rung shows */
    public function page(string $posture, string $rung, Side $side, Proportions $body): array
    {
        return [
            'posture' => $this->catalogue->postures()[$posture],
            'rung' => $this->catalogue->ladder($posture)->rung($rung),
            'side' => $side,
            'body' => $body,
            'view' => $this->pictures->view($posture, $rung),
            'views' => CameraView::cases(),
            'lines' => $this->pictures->lines($posture, $rung, $side, $body),
            'landmarks' => Landmark::cases(),
            'least' => RungPicture::LEAST,
        ];
    }

    /** What the points say; nothing is kept. */
    public function read(string $posture, string $rung, Side $side, ?Proportions $body, Request $request): JsonResponse
    {
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

    /**
     * @return StoredPicture|JsonResponse what is to be recorded, or was when it was sent before, its pixels kept
     *     already; or what is wrong with it
     */
    public function keep(
        Practitioner $practitioner,
        Teacher $by,
        string $rung,
        Side $side,
        Request $request,
    ): StoredPicture|JsonResponse {
        $sent = $request->request;
        $file = $request->files->get('picture');
        $of = $sent->getString('of');
        $known = '' === $of ? null : $this->pictureRecords->picture($practitioner, $of);
        $isSent = $file instanceof UploadedFile && $file->isValid();
        if (!$isSent && (null === $known || !$this->store->has($known->id))) {
            return $this->fault('picture.none');
        }
        $points = RungPictures::points($sent->getString('points', '{}'));
        $view = CameraView::tryFrom($sent->getString('view'));
        if (null === $points || null === $view) {
            return $this->fault('picture.points.wrong');
        }
        $picture = SentEntry::id($sent->get('entry'));
        $before = $this->pictureRecords->sent($practitioner, $picture);
        if (null !== $before) {
            return $before;
        }
        try {
            if ($isSent) {
                [$width, $height] = $this->store->keep($picture, $file->getPathname());
            } else {
                $this->store->keepAgain($picture, $known->id);
                [$width, $height] = [$known->width, $known->height];
            }
        } catch (UnfitPicture $e) {
            return $this->fault($e->getMessage());
        }

        return new StoredPicture(
            $picture,
            $practitioner,
            $by,
            $this->clock->now(),
            $rung,
            $width,
            $height,
            $points,
            $side,
            $view,
        );
    }

    /** @return list<string> what the lines of a picture that was kept say */
    public function ofKept(StoredPicture $picture, Proportions $body): array
    {
        return array_map($this->said(...), $this->pictures->ofKept($picture, $body));
    }

    private function said(ReadLine $line): string
    {
        return $this->translator->trans('picture.line', [
            'line' => $this->translator->trans('picture.line.of', [
                'line' => str_replace('-', '_', $line->line->value),
            ]),
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
        return new JsonResponse(
            ['error' => $this->translator->trans($text, ['least' => RungPicture::LEAST])],
            JsonResponse::HTTP_UNPROCESSABLE_ENTITY,
        );
    }
}
