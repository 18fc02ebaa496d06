<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Bench\AssessmentPlan;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentEnd;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Form\QuickScreenForm;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\TrialCheck;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A class, one person after another with no page between them. */
final class QuickScreenController extends TeacherController
{
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly PersonHistory $history,
        private readonly ReadPerson $person,
        private readonly RecordPain $pain,
    ) {
    }

    #[Route('/screen', 'screen', methods: ['GET'])]
    public function choose(Request $request): Response
    {
        $people = $this->records->practitioners($this->teacher());
        $chosen = array_filter($request->query->all('people'), is_string(...));
        $queue = array_values(
            array_filter($people, static fn (Practitioner $p): bool => in_array((string) $p->id, $chosen, true)),
        );
        if ([] !== $queue) {
            return $this->redirectToRoute('screen_person', [
                'id' => $queue[0]->id,
                'people' => array_map(static fn (Practitioner $p): string => (string) $p->id, $queue),
            ]);
        }

        return $this->render('screen/choose.html.twig', ['people' => $people]);
    }

    #[Route('/screen/done', 'screen_done', methods: ['GET'])]
    public function done(Request $request): Response
    {
        $rows = [];
        foreach ($this->queue($request) as $practitioner) {
            $rows[] = [
                'practitioner' => $practitioner,
                'poses' => $this->person->now($practitioner),
                'holds' => $this->person->holds($practitioner)->active,
            ];
        }

        return $this->render('screen/done.html.twig', ['rows' => $rows]);
    }

    #[Route('/screen/{id}', 'screen_person', methods: ['GET', 'POST'])]
    public function person(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $queue = $this->queue($request);
        $body = $this->records->body($practitioner);
        $groups = $this->catalogue->all(Kind::Caution);
        $form = $this->createForm(
            QuickScreenForm::class,
            options: [
                'entry' => (string) Uuid::v7(),
                'stature' => $body?->stature,
                'stops' => array_column($groups['stop-signs']['items'], 'id', 'ask'),
                'clinician' => array_column(
                    [...$groups['clinician-first']['items'], ...$groups['gentle-only']['items']],
                    'id',
                    'ask',
                ),
            ],
        )->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $this->check($form, $body, $practitioner);
        }
        if ($form->isSubmitted()) {
            $this->hear($practitioner, $form, $request);
        }
        $people = array_map(static fn (Practitioner $p): string => (string) $p->id, $queue);
        if ($form->isSubmitted() && $form->isValid()) {
            $this->keep($practitioner, $form, $body);
            $next = $people[(int) array_search($id, $people, true) + 1] ?? null;
            $this->addFlash('done', $this->say('screen.saved', ['name' => $practitioner->name]));

            return null === $next
                ? $this->redirectToRoute('screen_done', ['people' => $people])
                : $this->redirectToRoute('screen_person', ['id' => $next, 'people' => $people]);
        }

        return $this->render('screen/person.html.twig', [
            'practitioner' => $practitioner,
            'form' => $form,
            'queue' => $queue,
            'told' => $this->person->holds($practitioner)->told(),
        ]);
    }

    /** @return list<Practitioner> in the order of the class list */
    private function queue(Request $request): array
    {
        return array_map(
            $this->practitioner(...),
            array_values(array_filter($request->query->all('people'), is_string(...))),
        );
    }

    /** Numbers that belong together are all there, and fit the leg; a held test has none. */
    private function check(FormInterface $form, ?BodyMeasures $body, Practitioner $practitioner): void
    {
        $proportions = $this->proportions($form, $body);
        $now = $this->clock->now();
        $holds = $this->person->holds(
            $practitioner,
            ...$this->history->ofAssessment($this->told($practitioner, $form, $now)),
        );
        foreach ($this->trials($form) as [$test, $side, $trial, $fields]) {
            $missing = array_keys($trial, null, true);
            if ([] !== $missing) {
                if (count($missing) < count($trial)) {
                    $form
                        ->get($fields[$missing[0]])
                        ->addError(new FormError($this->say('bench.missing')));
                }
                continue;
            }
            $definition = $this->catalogue->tests()[$test];
            $may = May::take($holds, $definition, $side);
            if (!$may->isYes()) {
                $form
                    ->get($fields['kneeHeight'])
                    ->addError(
                        new FormError(
                            $this->say('screen.held', ['name' => $may->heldBy()[0]]),
                        ),
                    );
                continue;
            }
            if (null === $form->get('pain'.ucfirst($side->value))->getData()->level) {
                $form
                    ->get('pain'.ucfirst($side->value))
                    ->get('level')
                    ->addError(new FormError($this->say('session.ask')));
            }
            $numbers = array_filter($trial, is_float(...));
            $isInRange = true;
            foreach ($numbers as $name => $value) {
                if (!TrialCheck::isInRange($definition, $name, $value)) {
                    [$least, $most] = TrialCheck::range($definition, $name);
                    $form->get($fields[$name])->addError(
                        new FormError(
                            $this->say('number.between', [
                                'least' => (string) $least,
                                'most' => (string) $most,
                                'unit' => $definition->measured[$name] ?? 'cm',
                            ]),
                        ),
                    );
                    $isInRange = false;
                }
            }
            if (
                $isInRange
                && !TrialCheck::isOfBody($definition, $numbers, $side, Tool::Tape, new Sitting(), $proportions)
            ) {
                $form
                    ->get($fields['kneeHeight'])
                    ->addError(
                        new FormError($this->say('bench.impossible')),
                    );
            }
        }
    }

    /**
     * @return list<string> the cautions that were answered with yes; what is on record already is not told again with
     *     less
     */
    private function answered(FormInterface $form, Practitioner $practitioner): array
    {
        $yes = array_filter(
            [...$form->get('stops')->getData(), ...$form->get('clinician')->getData()],
            is_string(...),
        );

        // A dated one may be a new one of its kind: its time begins anew.
        $dated = array_keys(
            array_filter(
                $this->catalogue->conditions(),
                static fn (Condition $condition): bool => null !== $condition->months,
            ),
        );

        return array_values(array_diff($yes, array_diff($this->person->holds($practitioner)->toldIds(), $dated)));
    }

    private function proportions(FormInterface $form, ?BodyMeasures $body): Proportions
    {
        return Proportions::of(
            Length::cm((float) $form->get('stature')->getData()),
            array_map(Length::cm(...), $body->lengths ?? []),
        );
    }

    /**
     * @return list<array{string, Side, array<string, float|null>, array<string, string>}> test, side, its numbers, and
     *     their fields
     */
    private function trials(FormInterface $form): array
    {
        $trials = [];
        foreach (Side::cases() as $side) {
            foreach (AssessmentPlan::QUICK as $test) {
                $trial = $fields = [];
                foreach (QuickScreenForm::NUMBERS as $name => [, $of, $measure, $on]) {
                    if ($of === $test && (null === $on || $on === $side->value)) {
                        $trial[$measure] = $form->get($name)->getData();
                        $fields[$measure] = $name;
                    }
                }
                $trials[] = [$test, $side, $trial, $fields];
            }
        }

        return $trials;
    }

    private function keep(Practitioner $practitioner, FormInterface $form, ?BodyMeasures $body): void
    {
        $id = $this->entryOf($form);
        if ($this->records->knows(Assessment::class, $id)) {
            $this->sayRecorded(false, '');

            return;
        }
        $now = $this->clock->now();
        $stature = (float) $form->get('stature')->getData();
        $records = [];
        if (null === $body || $body->stature !== $stature) {
            $records[] = new BodyMeasures(
                Uuid::v7(),
                $practitioner,
                $this->teacher(),
                $now,
                $stature,
                $body->lengths ?? [],
                [],
            );
        }
        $trials = array_filter(
            $this->trials($form),
            static fn (array $trial): bool => !in_array(null, $trial[2], true),
        );
        $assessment = $this->told(
            $practitioner,
            $form,
            $now,
            array_values(array_unique(array_column($trials, 0))),
        );
        $records[] = $assessment;
        $records[] = new AssessmentEnd($id, $now);
        $entries = array_map(static fn (): Uuid => Uuid::v7(), array_flip(AssessmentPlan::QUICK));
        foreach ($trials as [$kind, $side, $trial]) {
            $pain = $form
                ->get('pain'.ucfirst($side->value))
                ->getData()
                ->pain();
            $test = new Test(
                Uuid::v7(),
                $entries[$kind],
                $practitioner,
                $this->teacher(),
                $kind,
                $side,
                $now,
                Tool::Tape->value,
                0.0,
                $pain->level,
                $pain->place,
                $pain->kind,
                [],
                Rules::VERSION,
                null,
                $assessment,
            );
            $readings = array_filter($trial, is_float(...));
            $test->add($readings, array_map(static fn (float $cm): string => $cm.' cm', $readings));
            $records[] = $test;
        }
        $this->recordOnce($form, ...$records);
    }

    /** @param list<string> $tests */
    private function told(
        Practitioner $practitioner,
        FormInterface $form,
        \DateTimeImmutable $now,
        array $tests = [],
    ): Assessment {
        return new Assessment(
            $this->entryOf($form),
            $practitioner,
            $this->teacher(),
            $now,
            true,
            [],
            $tests,
            $this->answered($form, $practitioner),
            '',
            false,
            0,
            PainPlace::None,
            PainKind::Ache,
        );
    }

    /** What hurts is never dropped: on a side without numbers, with a form that is faulty, or sent again. */
    private function hear(Practitioner $practitioner, FormInterface $form, Request $request): void
    {
        $entry = $this->entryOf($form);
        $isKept = $form->isValid() && !$this->records->knows(Assessment::class, $entry);
        $measured = [];
        foreach ($isKept ? $this->trials($form) : [] as [, $side, $trial]) {
            $measured[$side->value] = ($measured[$side->value] ?? false) || !in_array(null, $trial, true);
        }
        foreach (Side::cases() as $side) {
            if (!($measured[$side->value] ?? false)) {
                $this->pain->of(
                    $practitioner,
                    $this->teacher(),
                    RecordPain::sent($request, 'screen', 'pain'.ucfirst($side->value)),
                    $side,
                    "screen $entry",
                );
            }
        }
        if (!$isKept) {
            // So is a yes to one of the questions that stop.
            $this->pain->signs(
                $practitioner,
                $this->teacher(),
                $request->request->all('screen')['stops'] ?? [],
                $this->catalogue->stopSigns(),
                "screen $entry",
            );
        }
    }
}
