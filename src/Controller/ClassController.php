<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Planning\ClassSheet;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A class on one page: who does what of a sequence, and who may not. */
final class ClassController extends TeacherController
{
    private const MOST_PEOPLE = 40;

    #[Route('/class', 'class_sheet', methods: ['GET'])]
    public function sheet(Request $request, Catalogue $catalogue, ClassSheet $sheet): Response
    {
        $all = $this->records->practitioners($this->teacher());
        $chosen = array_filter($request->query->all('people'), is_string(...));
        $people = array_slice(
            array_values(
                array_filter($all, static fn (Practitioner $one): bool => in_array((string) $one->id, $chosen, true)),
            ),
            0,
            self::MOST_PEOPLE,
        );
        $names = $catalogue->names(Kind::Posture);
        $postures = array_values(
            array_unique(
                array_filter(
                    $request->query->all('postures'),
                    static fn (mixed $id): bool => is_string($id) && isset($names[$id]),
                ),
            ),
        );
        $isAsked = [] !== $request->query->all();

        return $this->render('class/sheet.html.twig', [
            'all' => $all,
            'people' => $people,
            'chosen' => $chosen,
            'names' => $names,
            'postures' => $postures,
            'noPeople' => $isAsked && [] === $people,
            'noPostures' => $isAsked && [] === $postures,
            'sheet' => [] === $people || [] === $postures ? [] : $sheet->of($people, $postures),
        ]);
    }
}
