<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Kept\Kept;
use LucidAscent\App\Kept\Whose;
use LucidAscent\App\Practice\PractisedMinutes;
use LucidAscent\App\Reading\PersonOn;
use LucidAscent\App\Reading\Worked;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What worked, over all of a teacher's people. */
final class WorkedController extends TeacherController
{
    #[Route('/what-worked', 'what_worked', methods: ['GET'])]
    #[Kept([], Whose::Everybodys)]
    public function show(PersonOn $person, PractisedMinutes $practised, Catalogue $catalogue): Response
    {
        $worked = new Worked($catalogue);
        $people = 0;
        foreach ($this->records->practised($this->teacher()) as $practitioner) {
            $body = $this->records->body($practitioner);
            if (null !== $body) {
                ++$people;
                $worked->add($person->series($practitioner, $body->proportions(), $this->clock->now()), $practised->of($this->records->logs($practitioner)));
            }
        }

        return $this->render('reading/worked.html.twig', ['worked' => $worked->all(), 'people' => $people]);
    }
}
