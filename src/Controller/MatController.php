<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Practice\Due;
use LucidAscent\App\Reading\PersonOn;
use LucidAscent\App\Reading\Wanted;
use LucidAscent\App\Repository\KeptProgress;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Who is here, where each side stands, and what is due. */
final class MatController extends TeacherController
{
    private const EACH = 10;
    private const LONGEST = 120;

    #[Route('/', 'on_the_mat', methods: ['GET'])]
    public function onTheMat(Request $request, PersonOn $person, Wanted $wanted, Due $due, KeptProgress $kept): Response
    {
        $text = mb_substr(trim($request->query->getString('q')), 0, self::LONGEST);
        $page = max(1, min(100_000, $request->query->getInt('page', 1)));
        [$people, $all] = $this->records->practitionersNamed($this->teacher(), $text, $page, self::EACH);
        $movements = $kept->movements($people);
        $rows = [];
        foreach ($people as $practitioner) {
            $poses = $person->now($practitioner);
            $rows[] = ['practitioner' => $practitioner, 'poses' => $poses, 'wanted' => $wanted->of($practitioner), 'due' => $due->of($practitioner, $poses), 'movement' => $movements[(string) $practitioner->id] ?? null];
        }

        // Who needs somebody now comes first; among the others the names keep their order.
        usort($rows, static fn (array $a, array $b): int => Due::urgency($b['due']) <=> Due::urgency($a['due']));

        return $this->render('on_the_mat.html.twig', ['rows' => $rows, 'text' => $text, 'page' => $page, 'pages' => (int) ceil($all / self::EACH), 'all' => $all]);
    }

    /** A signed-in page with nothing on it: what the other pages' time is compared with. */
    #[Route('/nothing', 'nothing', methods: ['GET'])]
    public function nothing(): Response
    {
        return $this->render('nothing.html.twig');
    }
}
