<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\PageCache\Whose;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Worked;
use LucidAscent\App\Plan\PractisedMinutes;
use LucidAscent\App\Repository\PlanRecords;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What worked, over all of a teacher's people. */
final class WorkedController extends TeacherController
{
    public function __construct(private readonly PlanRecords $planRecords)
    {
    }

    #[Route('/what-worked', 'what_worked', methods: ['GET'])]
    #[CachedPage([], Whose::Everybodys)]
    public function show(ReadPerson $person, PractisedMinutes $practised, Catalogue $catalogue): Response
    {
        $worked = new Worked($catalogue);
        $people = 0;
        foreach ($this->planRecords->practised($this->teacher()) as $practitioner) {
            $body = $this->records->body($practitioner);
            if (null !== $body) {
                ++$people;
                $worked->add(
                    $person->series($practitioner, $body->proportions(), $this->clock->now()),
                    $practised->of($this->planRecords->logs($practitioner)),
                );
            }
        }

        return $this->render('reading/worked.html.twig', ['worked' => $worked->all(), 'people' => $people]);
    }
}
