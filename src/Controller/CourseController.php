<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StudioClass;
use LucidAscent\App\Form\CourseForm;
use LucidAscent\App\Planning\ClassSheet;
use LucidAscent\App\Planning\CoursePieces;
use LucidAscent\App\Repository\ClassRecords;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A course: the people of one class on several days, each day about one posture, each person on their own rung. */
final class CourseController extends TeacherController
{
    private const USUALLY_APART = 7;

    public function __construct(
        private readonly ClassRecords $classes,
        private readonly Catalogue $catalogue,
        private readonly ClassSheet $sheet,
        private readonly CoursePieces $pieces,
    ) {
    }

    /** From a class: its people, name and place. */
    #[Route('/classes/{class}/course', 'class_course_new', methods: ['GET', 'POST'])]
    public function new(string $class, Request $request): Response
    {
        $class = $this->classes->one($this->teacher(), $class);
        $next = $class->heldOn->modify(sprintf('+%d days', self::USUALLY_APART));
        $themes = array_flip($this->catalogue->poses());
        ksort($themes);
        $form = $this->createForm(
            CourseForm::class,
            [
                'name' => $class->name,
                'firstOn' => max($next, $this->today()),
                'apart' => self::USUALLY_APART,
                'entry' => (string) Uuid::v7(),
            ],
            ['today' => $this->today(), 'themes' => $themes],
        );
        $form->handleRequest($request);
        $people = $this->classes->people($class);
        if ($form->isSubmitted() && [] === $people) {
            $form->addError(new FormError($this->say('class.people.none')));
        }
        if ($form->isSubmitted() && $form->isValid()) {
            return $this->redirectToRoute('class_course', ['course' => $this->keep($form, $class, $people)]);
        }

        return $this->render('class/course_new.html.twig', ['form' => $form, 'class' => $class, 'people' => $people]);
    }

    #[Route('/classes/courses/{course}', 'class_course', methods: ['GET'])]
    public function course(string $course): Response
    {
        $days = Uuid::isValid($course) ? $this->classes->course($this->teacher(), Uuid::fromString($course)) : [];
        if ([] === $days) {
            throw $this->createNotFoundException();
        }
        $names = $this->catalogue->names(Kind::Posture);
        $shown = $asked = [];
        foreach ($days as $i => $class) {
            $people = $this->classes->people($class);
            $shown[$i] = ['class' => $class, 'came' => $this->classes->came($class, $people), 'sheet' => null];
            if ($class->heldOn >= $this->today() && isset($names[$class->theme])) {
                // Days of the same people are worked out together: a person is read once.
                $same = implode(' ', array_column($people, 'id'));
                $asked[$same]['people'] = $people;
                $asked[$same]['themes'][$i] = $class->theme;
            }
        }
        foreach ($asked as ['people' => $people, 'themes' => $themes]) {
            $sheets = $this->sheet->of($people, array_values($themes));
            foreach (array_keys($themes) as $at => $i) {
                $shown[$i]['sheet'] = $sheets[$at];
            }
        }

        return $this->render('class/course.html.twig', ['days' => $shown, 'names' => $names]);
    }

    /**
     * The same form sent twice makes one course.
     *
     * @param list<Practitioner> $people
     */
    private function keep(FormInterface $form, StudioClass $like, array $people): Uuid
    {
        $course = $this->entryOf($form);
        if ([] !== $this->classes->course($this->teacher(), $course)) {
            return $course;
        }
        $heldOn = $form->get('firstOn')->getData();
        $days = [];
        foreach (range(1, CourseForm::MOST) as $day) {
            $theme = $form->get("theme$day")->getData();
            if (null === $theme) {
                continue;
            }
            $days[] = new StudioClass(
                Uuid::v7(),
                $this->teacher(),
                trim((string) $form->get('name')->getData()),
                $heldOn,
                $like->place,
                $this->pieces->of($theme),
                $this->clock->now(),
                $course,
                $theme,
            );
            $heldOn = $heldOn->modify(sprintf('+%d days', $form->get('apart')->getData()));
        }
        $this->classes->save($people, ...$days);

        return $course;
    }
}
