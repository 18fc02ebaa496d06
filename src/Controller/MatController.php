<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\PageCache\CachedParts;
use LucidAscent\App\PageCache\Whose;
use LucidAscent\App\Person\Due;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Repository\AccessRecords;
use LucidAscent\App\Repository\OutcomeRows;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Twig\Markup;

/** Who is here, where each side stands, and what is due. */
final class MatController extends TeacherController
{
    private const EACH = 10;
    private const LONGEST = 120;

    public function __construct(private readonly ReadPerson $person, private readonly Wanted $wanted, private readonly Due $due, private readonly OutcomeRows $progress)
    {
    }

    #[Route('/', 'on_the_mat', methods: ['GET'])]
    #[CachedPage(['q', 'page'], Whose::Everybodys)]
    public function onTheMat(Request $request, CachedParts $parts, AccessRecords $own): Response
    {
        $text = mb_substr(trim($request->query->getString('q')), 0, self::LONGEST);
        $page = max(1, min(100_000, $request->query->getInt('page', 1)));
        [$people, $all] = $this->records->practitionersNamed($this->teacher(), $text, $page, self::EACH);
        $places = $parts->places('on the mat', $this->teacher(), $people);
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

        // Who needs somebody now comes first; among the others the names keep their order.
        usort($rows, static fn (array $a, array $b): int => $b['urgency'] <=> $a['urgency']);

        return $this->render('on_the_mat.html.twig', ['unseen' => $own->unseen($this->teacher()), 'rows' => array_map(static fn (array $row): Markup => new Markup($row['html'], 'UTF-8'), $rows), 'text' => $text, 'page' => $page, 'pages' => (int) ceil($all / self::EACH), 'all' => $all]);
    }

    /** @return array{urgency: int, html: string} one person, as the page shows them */
    private function row(Practitioner $practitioner): array
    {
        $poses = $this->person->now($practitioner);
        $due = $this->due->of($practitioner, $poses);

        return [
            'urgency' => Due::urgency($due),
            'html' => $this->renderView('parts/on_the_mat_person.html.twig', ['row' => ['practitioner' => $practitioner, 'poses' => $poses, 'wanted' => $this->wanted->of($practitioner), 'due' => $due, 'movement' => $this->progress->movement($practitioner)]]),
        ];
    }

    /** A signed-in page with nothing on it: what the other pages' time is compared with. */
    #[Route('/nothing', 'nothing', methods: ['GET'])]
    public function nothing(): Response
    {
        return $this->render('nothing.html.twig');
    }
}
