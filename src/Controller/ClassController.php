<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StudioClass;
use LucidAscent\App\Form\ClassForm;
use LucidAscent\App\Planning\AfterClass;
use LucidAscent\App\Planning\ChosenForClass;
use LucidAscent\App\Planning\ClassSheet;
use LucidAscent\App\Repository\ClassRecords;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A class: planned, on one page, taught, and what it leaves in people's records. */
final class ClassController extends TeacherController
{
    private const TOKEN = 'class';
    private const REMOVED = 'removed class';
    /** So many earlier classes lend their people. */
    private const GROUPS = 12;

    public function __construct(
        private readonly ClassRecords $classes,
        private readonly Catalogue $catalogue,
        private readonly ClassSheet $sheet,
    ) {
    }

    #[Route('/classes', 'classes', methods: ['GET'])]
    public function list(Request $request): Response
    {
        $today = $this->today();
        $all = $this->classes->classes($this->teacher());
        $isAhead = static fn (StudioClass $class): bool => $class->heldOn >= $today;

        return $this->render('class/list.html.twig', [
            'ahead' => array_reverse(array_filter($all, $isAhead)),
            'held' => array_filter($all, static fn (StudioClass $class): bool => !$isAhead($class)),
            'names' => $this->catalogue->names(Kind::Posture),
            'expected' => $this->classes->expected($this->teacher()),
            'removed' => $request->getSession()->get(self::REMOVED)['name'] ?? null,
            'token' => self::TOKEN,
        ]);
    }

    /** A new one, or one like another. */
    #[Route('/classes/new', 'class_new', methods: ['GET', 'POST'])]
    public function new(Request $request): Response
    {
        $of = $request->query->getString('of');
        $like = '' === $of ? null : $this->classes->one($this->teacher(), $of);
        $data = [
            'name' => $like->name ?? '',
            'place' => $like->place ?? '',
            'heldOn' => $this->today(),
            'version' => '0',
            'entry' => (string) Uuid::v7(),
        ];

        return $this->form(
            $request,
            null,
            $data,
            null === $like
                ? new ChosenForClass([], [])
                : new ChosenForClass($this->classes->people($like), $like->pieces),
        );
    }

    #[Route('/classes/{class}/edit', 'class_edit', methods: ['GET', 'POST'])]
    public function edit(string $class, Request $request): Response
    {
        $class = $this->classes->one($this->teacher(), $class);

        return $this->form(
            $request,
            $class,
            [
                'name' => $class->name,
                'place' => $class->place,
                'heldOn' => $class->heldOn,
                'version' => (string) $class->version(),
                'entry' => (string) $class->id,
            ],
            new ChosenForClass($this->classes->people($class), $class->pieces),
        );
    }

    #[Route('/classes/{class}', 'class_sheet', methods: ['GET'])]
    public function sheet(string $class): Response
    {
        return $this->shown($class, 'class/sheet.html.twig');
    }

    /** Beside the mat: one posture after another, large. */
    #[Route('/classes/{class}/teach', 'class_teach', methods: ['GET'])]
    public function teach(string $class): Response
    {
        return $this->shown($class, 'class/teach.html.twig');
    }

    #[Route('/classes/{class}/after', 'class_after', methods: ['GET', 'POST'])]
    public function after(string $class, Request $request, AfterClass $after): Response
    {
        $isStale =
            $request->isMethod('POST')
            && !$this->isCsrfTokenValid(self::TOKEN, $request->request->getString('_token'));
        $isSent = $request->isMethod('POST') && !$isStale;
        if ($isSent) {
            // Whoever was taken out of the class meanwhile, and if there is none any more: what hurt is heard first.
            $after->hear($class, $request->request->all(), $this->teacher());
        }
        $class = $this->classes->one($this->teacher(), $class);
        $people = $this->classes->people($class);
        if ($isSent) {
            $after->attended($class, $people, $request->request->all());
            $this->addFlash('done', 'class.after.saved');

            return $this->redirectToRoute('class_sheet', ['class' => $class->id]);
        }

        return $this->render(
            'class/after.html.twig',
            [
                'class' => $class,
                'people' => $people,
                'came' => $this->classes->came($class, $people),
                'names' => $this->catalogue->names(Kind::Posture),
                'token' => self::TOKEN,
                'sent' => $isStale ? $request->request->all() : [],
                'isStale' => $isStale,
            ],
            new Response(status: $isStale ? 422 : 200),
        );
    }

    #[Route('/classes/{class}/remove', 'class_remove', methods: ['POST'])]
    public function remove(string $class, Request $request): Response
    {
        $class = $this->classes->one($this->teacher(), $class);
        $this->checkToken(self::TOKEN, $request);
        // What comes back is a class of its own: what people's records say of this one stays said of this one.
        $request->getSession()->set(self::REMOVED, [
            'name' => $class->name,
            'heldOn' => $class->heldOn->format('Y-m-d'),
            'place' => $class->place,
            'pieces' => $class->pieces,
            'course' => (string) $class->course,
            'theme' => $class->theme,
            'people' => array_map(
                static fn (Practitioner $one): string => (string) $one->id,
                $this->classes->people($class),
            ),
        ]);
        $this->classes->remove($class);
        $this->addFlash('done', 'class.removed');

        return $this->redirectToRoute('classes');
    }

    /** The class that was deleted last, in this browser and this session. */
    #[Route('/classes/undo', 'class_undo', methods: ['POST'], priority: 1)]
    public function undo(Request $request): Response
    {
        $this->checkToken(self::TOKEN, $request);
        /**
         * @var array{name: string, heldOn: string, place: string,
         *     pieces: list<array{posture: string, minutes: int}>, course: string, theme: string,
         *     people: list<string>}|null $was
         */
        $was = $request->getSession()->remove(self::REMOVED);
        if (null === $was) {
            return $this->redirectToRoute('classes');
        }
        $class = new StudioClass(
            Uuid::v7(),
            $this->teacher(),
            $was['name'],
            new \DateTimeImmutable($was['heldOn']),
            $was['place'],
            $was['pieces'],
            $this->clock->now(),
            '' === $was['course'] ? null : Uuid::fromString($was['course']),
            $was['theme'],
        );
        $this->classes->save(
            array_values(
                array_filter(
                    $this->records->practitioners($this->teacher()),
                    static fn (Practitioner $one): bool => in_array((string) $one->id, $was['people'], true),
                ),
            ),
            $class,
        );
        $this->addFlash('done', 'class.back_again');

        return $this->redirectToRoute('class_sheet', ['class' => $class->id]);
    }

    private function shown(string $class, string $template): Response
    {
        $class = $this->classes->one($this->teacher(), $class);
        $people = $this->classes->people($class);
        $names = $this->catalogue->names(Kind::Posture);
        // A posture that was taken out of the catalogue since is nothing that can be taught.
        $pieces = array_values(
            array_filter($class->pieces, static fn (array $piece): bool => isset($names[$piece['posture']])),
        );
        $sheet = $this->sheet->of($people, array_column($pieces, 'posture'));

        return $this->render($template, [
            'class' => $class,
            'people' => $people,
            'pieces' => $pieces,
            'names' => $names,
            'sheet' => $sheet,
            'props' => ClassSheet::props($sheet),
            'came' => $this->classes->came($class, $people),
            'token' => self::TOKEN,
            'isAhead' => $class->heldOn > $this->today(),
        ]);
    }

    /** @param array<string, mixed> $data */
    private function form(Request $request, ?StudioClass $class, array $data, ChosenForClass $chosen): Response
    {
        $names = $this->catalogue->names(Kind::Posture);
        $all = $this->records->practitioners($this->teacher());
        $earlier = array_slice($this->classes->classes($this->teacher()), 0, self::GROUPS);
        $form = $this->createForm(ClassForm::class, $data, ['is_in_course' => null !== $class?->course]);
        $form->handleRequest($request);
        $faults = [];
        if ($form->isSubmitted()) {
            $group = array_filter(
                $earlier,
                static fn (StudioClass $one): bool => (string) $one->id === $request->request->getString('group'),
            );
            $more = array_merge(...array_map($this->classes->people(...), array_values($group)));
            $chosen = ChosenForClass::sent($request, $all, $more, $names);
            $faults = $chosen->faults();
            if (null !== $class && $form->get('version')->getData() !== (string) $class->version()) {
                $form->addError(new FormError($this->say('class.changed')));
            }
            if ($form->isValid() && [] === $faults) {
                return $this->redirectToRoute('class_sheet', ['class' => $this->keep($form, $class, $chosen)->id]);
            }
        }

        return $this->render(
            'class/edit.html.twig',
            [
                'form' => $form,
                'class' => $class,
                'version' => $class?->version() ?? 0,
                'all' => $all,
                'earlier' => $earlier,
                'names' => $names,
                'chosen' => $chosen,
                'faults' => $faults,
                'most' => StudioClass::LONGEST,
            ],
            new Response(status: $form->isSubmitted() ? 422 : 200),
        );
    }

    /** The same form sent twice makes one class. */
    private function keep(FormInterface $form, ?StudioClass $class, ChosenForClass $chosen): StudioClass
    {
        $entry = $this->entryOf($form);
        if (null === $class && $this->records->knows(StudioClass::class, $entry)) {
            return $this->classes->one($this->teacher(), (string) $entry);
        }
        $heldOn = $form->get('heldOn')->getData();
        $name = trim((string) $form->get('name')->getData());
        $place = trim((string) $form->get('place')->getData());
        if (null === $class) {
            $class = new StudioClass(
                $entry,
                $this->teacher(),
                $name,
                $heldOn,
                $place,
                $chosen->pieces,
                $this->clock->now(),
            );
        } else {
            [$class->name, $class->heldOn, $class->place, $class->pieces] = [$name, $heldOn, $place, $chosen->pieces];
        }
        $isFollowed = $form->has('follow') && true === $form->get('follow')->getData();
        $this->classes->save($chosen->people, $class, ...$isFollowed ? $this->classes->later($class) : []);

        return $class;
    }
}
