<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Demo\LoadPeople;
use LucidAscent\App\Demo\MadeUpStudio;
use LucidAscent\App\Guide\Guide;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\PageCache\Whose;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Repository\PlanRecords;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** How the job is done here, step by step; what words mean; which keys there are; and somebody made up to try it on. */
final class GuideController extends TeacherController
{
    public const TOKEN = 'guide';

    #[Route('/guide', 'guide', methods: ['GET'])]
    #[CachedPage([], Whose::Everybodys)]
    public function index(PlanRecords $plans, Wanted $wanted): Response
    {
        $person = $plans->mostPractised($this->teacher());

        return $this->render('guide/index.html.twig', [
            'pages' => Guide::PAGES,
            'tour' => Guide::TOUR,
            'person' => $person,
            'pose' => null === $person ? null : $wanted->of($person)[0],
            'token' => self::TOKEN,
            'isEmpty' => [] === $this->records->practitioners($this->teacher()),
        ]);
    }

    #[Route('/guide/words', 'guide_words', methods: ['GET'])]
    #[CachedPage([], Whose::TeachersAlone)]
    public function words(): Response
    {
        return $this->render('guide/words.html.twig', ['words' => Guide::WORDS]);
    }

    #[Route('/guide/keys', 'guide_keys', methods: ['GET'])]
    #[CachedPage([], Whose::TeachersAlone)]
    public function keys(): Response
    {
        return $this->render('guide/keys.html.twig', ['keys' => Guide::KEYS]);
    }

    #[Route('/guide/{page}', 'guide_page', methods: ['GET'], priority: -1)]
    #[CachedPage([], Whose::TeachersAlone)]
    public function page(string $page): Response
    {
        $all = array_keys(Guide::PAGES);
        $at = array_search($page, $all, true);
        if (false === $at) {
            throw $this->createNotFoundException();
        }

        return $this->render('guide/page.html.twig', [
            'page' => $page,
            'number' => $at + 1,
            'figures' => Guide::PAGES[$page]['figures'],
            'steps' => Guide::PAGES[$page]['steps'],
            'before' => $all[$at - 1] ?? null,
            'next' => $all[$at + 1] ?? null,
        ]);
    }

    /** Somebody made up, in an account that has nobody yet. */
    #[Route('/guide/try', 'guide_try', methods: ['POST'], priority: 1)]
    public function try(Request $request, LoadPeople $people): Response
    {
        $this->checkToken(self::TOKEN, $request);
        if ([] !== $this->records->practitioners($this->teacher())) {
            $this->addFlash('hint', 'today.try.refused');

            return $this->redirectToRoute('on_the_mat');
        }
        $person = MadeUpStudio::people()[0];
        $loaded = $people->of($this->teacher(), [
            ['name' => $this->say('today.try.name', ['name' => $person['name']])] + $person,
        ]);

        return $this->redirectToRoute('practitioner', ['id' => $loaded[0]->id]);
    }
}
