<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Exchange\LegFigure;
use LucidAscent\App\Repository\HalfLotusSides;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What was measured says of half lotus, side by side. */
final class ReadingController extends TeacherController
{
    #[Route('/practitioners/{id}/reading', 'reading', methods: ['GET'])]
    public function reading(string $id, HalfLotusSides $sides): Response
    {
        $practitioner = $this->practitioner($id);
        $both = $sides->of($practitioner);
        $figures = ['measured' => [], 'asked' => []];
        foreach ($both as $name => $side) {
            $figures['measured'][$name] = null === $side->verdict->measured ? null : LegFigure::of($side->verdict->measured);
            $figures['asked'][$name] = null === $side->verdict->atReach ? null : LegFigure::of($side->verdict->atReach->pose);
        }

        return $this->render('reading/half_lotus.html.twig', ['practitioner' => $practitioner, 'sides' => $both, 'figures' => $figures]);
    }
}
