<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\PageCache\CachedParts;
use LucidAscent\App\PageCache\Whose;
use LucidAscent\App\Person\Due;
use LucidAscent\App\Person\MostUrgent;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Repository\AccessRecords;
use LucidAscent\App\Repository\OutcomeRows;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;
use Twig\Markup;

/** Who is here, where each side stands, and what is due. */
final class MatController extends TeacherController
{
    private const EACH = 12;
    private const LONGEST = 120;

    public function __construct(
        private readonly ReadPerson $person,
        private readonly Wanted $wanted,
        private readonly Due $due,
        private readonly OutcomeRows $progress,
    ) {
    }

    #[Route('/', 'on_the_mat', methods: ['GET'])]
    #[CachedPage(['q', 'page'], Whose::Everybodys)]
    public function onTheMat(Request $request, CachedParts $parts, AccessRecords $own, MostUrgent $urgent): Response
    {
        $text = mb_substr(trim($request->query->getString('q')), 0, self::LONGEST);
        $page = max(1, min(100_000, $request->query->getInt('page', 1)));
        [$people, $all] = $urgent->page($this->teacher(), $text, $page, self::EACH);
        $places = $parts->places(
            'on the mat',
            $this->teacher(),
            array_map(static fn (Practitioner $one): Uuid => $one->id, $people),
        );
        $rows = [];
        foreach ($people as $practitioner) {
            $place = $places[(string) $practitioner->id];
            $row = $parts->get($place);
            if (null === $row) {
                $row = $this->row($practitioner);
                $parts->keep($place, $row);
            }
            $rows[] = $row;
        }

        return $this->render('on_the_mat.html.twig', [
            'unseen' => $own->unseen($this->teacher()),
            'rows' => array_map(static fn (string $row): Markup => new Markup($row, 'UTF-8'), $rows),
            'text' => $text,
            'page' => $page,
            'pages' => (int) ceil($all / self::EACH),
            'all' => $all,
        ]);
    }

    /** One person, as the page shows them. */
    private function row(Practitioner $practitioner): string
    {
        $poses = $this->person->now($practitioner);

        return $this->renderView('parts/on_the_mat_person.html.twig', [
            'row' => [
                'practitioner' => $practitioner,
                'poses' => $poses,
                'wanted' => $this->wanted->of($practitioner),
                'due' => $this->due->of($practitioner, $poses),
                'movement' => $this->progress->movement($practitioner),
            ],
        ]);
    }
}
