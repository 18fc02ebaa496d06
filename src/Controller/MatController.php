<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Practice\Due;
use LucidAscent\App\Reading\PersonOn;
use LucidAscent\App\Reading\Wanted;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Who is here, where each side stands, and what is due. */
final class MatController extends TeacherController
{
    #[Route('/', 'on_the_mat', methods: ['GET'])]
    public function onTheMat(PersonOn $person, Wanted $wanted, Due $due): Response
    {
        $rows = [];
        foreach ($this->records->practitioners($this->teacher()) as $practitioner) {
            $poses = $person->now($practitioner);
            $rows[] = ['practitioner' => $practitioner, 'poses' => $poses, 'wanted' => $wanted->of($practitioner), 'due' => $due->of($practitioner, $poses)];
        }

        return $this->render('on_the_mat.html.twig', ['rows' => $rows]);
    }

    /** A signed-in page with nothing on it: what the other pages' time is compared with. */
    #[Route('/nothing', 'nothing', methods: ['GET'])]
    public function nothing(): Response
    {
        return $this->render('nothing.html.twig');
    }
}
