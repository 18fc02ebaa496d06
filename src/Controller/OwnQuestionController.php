<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Device\PictureResponse;
use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Device\UnfitPicture;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\QuestionAsked;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Json\SentEntry;
use LucidAscent\App\PractitionerAccess\AccessDoor;
use LucidAscent\App\PractitionerAccess\PractitionerPages;
use LucidAscent\App\Repository\PictureRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Calendar\Day;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A practitioner's question about a rung, with a picture if they like; and the pictures that are theirs. */
final class OwnQuestionController extends AbstractController
{
    public function __construct(
        private readonly AccessDoor $door,
        private readonly Records $records,
        private readonly PictureRecords $pictures,
        private readonly PictureStore $store,
        private readonly PractitionerPages $pages,
        private readonly Catalogue $catalogue,
        private readonly ClockInterface $clock,
    ) {
    }

    #[Route('/own/ask', 'own_ask', methods: ['GET', 'POST'])]
    public function ask(Request $request): Response
    {
        $practitioner = $this->door->opened($request);
        if (null === $practitioner) {
            return $this->redirectToRoute('own');
        }
        if ($request->isMethod('POST') && !$this->door->isTokenOf($request)) {
            throw new AccessDeniedHttpException();
        }
        $fault = $request->isMethod('POST') ? $this->keep($practitioner, $request) : null;
        if ($request->isMethod('POST') && null === $fault) {
            return $this->redirectToRoute('own', ['said' => 'words']);
        }
        $shapes = [];
        foreach ($this->pages->sessions($practitioner) as $session) {
            foreach ($session['items'] as $item) {
                if ('work' === $item['phase']) {
                    $shapes["$item[posture]/$item[rung]"] = "$item[name]: $item[rungName]";
                }
            }
        }

        return $this->render(
            'own/ask.html.twig',
            [
                'practitioner' => $practitioner,
                'shapes' => $shapes,
                'typed' => $request->request->all(),
                'fault' => $fault,
                'token' => $this->door->token($request),
                'device' => null,
            ],
            new Response(status: null === $fault ? 200 : 422),
        );
    }

    #[Route('/own/pictures/{picture}', 'own_question_picture', methods: ['GET'])]
    public function picture(string $picture, Request $request): Response
    {
        $practitioner = $this->door->opened($request) ?? throw $this->createNotFoundException();
        $kept = $this->pictures->picture($practitioner, $picture);

        return PictureResponse::of($this->store->read($kept->id));
    }

    /** @return string|null what is wrong with it; null where it is kept */
    private function keep(Practitioner $practitioner, Request $request): ?string
    {
        $text = mb_substr(trim($request->request->getString('text')), 0, PractitionerNote::LONGEST);
        if ('' === $text) {
            return 'ask.missing';
        }
        $id = SentEntry::id($request->request->getString('entry'));
        if ($this->records->knows(PractitionerNote::class, $id)) {
            return null;
        }
        $now = $this->clock->now();
        $records = [
            new PractitionerNote($id, $practitioner, $now, Day::midnight($now), PractitionerNote::WORDS, $text),
            new FromPractitioner($id, $practitioner, $now, FromPractitioner::WORDS),
        ];
        [$posture, $rung] = explode('/', $request->request->getString('about'), 2) + [1 => ''];
        $isAbout = null !== $this->catalogue->named("$posture/$rung");
        $file = $request->files->get('picture');
        $picture = null;
        if ($file instanceof UploadedFile) {
            $picture = Uuid::v7();
            try {
                [$width, $height] = $file->isValid()
                    ? $this->store->keep($picture, $file->getPathname())
                    : throw UnfitPicture::size();
            } catch (UnfitPicture $e) {
                return $e->getMessage();
            }
            $records[] = new StoredPicture(
                $picture,
                $practitioner,
                $practitioner->teacher,
                $now,
                StoredPicture::QUESTION,
                $width,
                $height,
            );
        }
        if ($isAbout || null !== $picture) {
            $records[] = new QuestionAsked(
                $id,
                $practitioner,
                $now,
                $isAbout ? $posture : '',
                $isAbout ? $rung : '',
                $picture,
            );
        }
        $this->records->addOnce(...$records);

        return null;
    }
}
