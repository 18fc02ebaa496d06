<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Repository\HalfLotusSides;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Who is here, how each side stands, and what is next. */
final class MatController extends TeacherController
{
    #[Route('/', 'on_the_mat', methods: ['GET'])]
    public function onTheMat(HalfLotusSides $sides): Response
    {
        $rows = [];
        foreach ($this->records->practitioners($this->teacher()) as $practitioner) {
            $rows[] = ['practitioner' => $practitioner, 'sides' => $sides->of($practitioner)];
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
