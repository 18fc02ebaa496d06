<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Bench\AssessmentPlan;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentEnd;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Form\AsksOfWords;
use LucidAscent\App\Form\BeforeForm;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RecordOutcome;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\App\Person\ToldCondition;
use LucidAscent\App\Repository\AssessmentRecords;
use LucidAscent\App\Repository\TestRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Ending;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\History\StandingTests;
use LucidAscent\Core\Posture\Purpose;
use LucidAscent\Core\Route\NextReading;
use LucidAscent\Core\Route\ProposedTest;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A round of tests: what is asked before, which tests it needs and why, how far it has come, and its end. */
final class AssessmentController extends TeacherController
{
    public const END_TOKEN = 'end-assessment';
    /** Fields that say more of a condition. */
    private const DETAILS = ['loads', 'eighteen', 'guardian'];

    public function __construct(
        private readonly TestRecords $testRecords,
        private readonly AssessmentRecords $assessments,
        private readonly Catalogue $catalogue,
        private readonly AssessmentPlan $plan,
        private readonly PersonHistory $history,
        private readonly RecordPain $pain,
        private readonly ReadPerson $person,
    ) {
    }

    #[Route('/practitioners/{id}/assessments/new', 'assessment_new', methods: ['GET', 'POST'])]
    public function new(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        if (null === $this->records->body($practitioner)) {
            return $this->bodyFirst($practitioner);
        }
        $earlier = $this->assessments->newestAssessment($practitioner);
        $now = $this->person->holds($practitioner);
        $form = $this->createForm(
            BeforeForm::class,
            options: [
                'entry' => (string) Uuid::v7(),
                'poses' => array_flip($this->catalogue->poses()),
                'wanted' => $earlier->wanted ?? [],
                'purposes' => $earlier?->purposes() ?? [],
                'cautions' => $this->cautions(),
                'screenings' => $this->catalogue->screenings(),
                'note' => $earlier->note ?? '',
            ],
        )->handleRequest($request);
        if ($form->isSubmitted()) {
            $this->askWhatOf($form, $now->toldIds());
            $this->hear($practitioner, $form, $request);
        }
        if ($form->isSubmitted() && $form->isValid()) {
            $assessment = $this->begin($practitioner, $form, $now->toldIds());

            return $this->redirectToRoute('assessment', ['id' => $id, 'assessment' => $assessment]);
        }

        return $this->render('assessment/before.html.twig', [
            'practitioner' => $practitioner,
            'form' => $form,
            'groups' => array_keys($this->cautions()),
            'screenings' => $this->catalogue->screenings(),
            'told' => $now->told(),
            'in_free_words' => [] !== array_filter(
                $now->told(),
                static fn (Hold $hold): bool => $hold->holds->isInFreeWords,
            ),
        ]);
    }

    #[Route('/practitioners/{id}/assessments/{assessment}', 'assessment', methods: ['GET'])]
    public function show(string $id, string $assessment): Response
    {
        $practitioner = $this->practitioner($id);
        $assessment = $this->assessments->assessment($practitioner, $assessment);
        $tests = $this->testRecords->testsOf($assessment);
        $poses = $this->person->now($practitioner);
        $holds = $poses->person->holds ?? $this->person->holds($practitioner);
        $next = null === $poses ? null : NextReading::of($assessment->wanted, $poses);

        return $this->render('assessment/show.html.twig', [
            'practitioner' => $practitioner,
            'assessment' => $assessment,
            'proposed' => $this->plan->proposed(
                $assessment->wanted,
                StandingTests::at($this->history->at($practitioner, $assessment->at), $assessment->at),
                $holds,
                $assessment->at,
            ),
            'taken' => AssessmentPlan::taken($tests),
            'next' => $this->plan->next($assessment, $tests, $holds, $poses),
            'ended' => $this->assessments->isEnded($assessment),
            'holds' => $holds->active,
            'wanted' => array_map(
                fn (string $pose): string => $this->catalogue->entry(Kind::Posture, $pose)['name'] ?? $pose,
                $assessment->wanted,
            ),
            'token' => self::END_TOKEN,
            'nextReading' => $next,
        ]);
    }

    #[Route('/practitioners/{id}/assessments/{assessment}/end', 'assessment_end', methods: ['POST'])]
    public function end(string $id, string $assessment, Request $request, RecordOutcome $keep): Response
    {
        $practitioner = $this->practitioner($id);
        $assessment = $this->assessments->assessment($practitioner, $assessment);
        $this->checkToken(self::END_TOKEN, $request);
        if (!$this->assessments->isEnded($assessment)) {
            $now = $this->clock->now();
            $this->records->add(
                new AssessmentEnd($assessment->id, $now),
                $keep->of($assessment, $this->person->now($practitioner), $now),
            );
        }
        $this->addFlash('done', 'assessment.end.done');

        return $this->redirectToRoute('practitioner', ['id' => $id]);
    }

    /** @param list<string> $onRecord conditions that were told before, and that hold */
    private function begin(Practitioner $practitioner, FormInterface $form, array $onRecord): Uuid
    {
        $id = $this->entryOf($form);
        if ($this->records->knows(Assessment::class, $id)) {
            $this->sayRecorded(false, '');

            return $id;
        }
        $pain = $form->get('pain')->getData()->pain();
        $wanted = $form->get('wanted')->getData();
        $now = $this->clock->now();
        $told = new Assessment(
            $id,
            $practitioner,
            $this->teacher(),
            $now,
            false,
            $wanted,
            [],
            $this->conditions($form, $onRecord),
            '',
            false,
            $pain->level,
            $pain->place,
            $pain->kind,
        );
        $holds = $this->person->holds($practitioner, ...$this->history->ofAssessment($told));
        $proposed = $this->plan->proposed(
            $wanted,
            StandingTests::at($this->history->at($practitioner, $now), $now),
            $holds,
            $now,
        );
        $this->recordOnce(
            $form,
            new Assessment(
                $id,
                $practitioner,
                $this->teacher(),
                $now,
                false,
                $wanted,
                array_keys(array_filter($proposed, static fn (ProposedTest $one): bool => $one->isChosen)),
                $told->conditions,
                trim((string) $form->get('note')->getData()),
                (bool) $form->get('warm')->getData(),
                $pain->level,
                $pain->place,
                $pain->kind,
                AsksOfWords::isRead($form),
                array_map(
                    static fn (Purpose $purpose): string => $purpose->value,
                    array_filter(
                        (array) $form->get('purposes')->getData(),
                        static fn (mixed $one): bool => $one instanceof Purpose,
                    ),
                ),
            ),
        );

        return $id;
    }

    /**
     * A detail is of a question that was answered with yes, today or before; without one it would be lost.
     *
     * @param list<string> $onRecord
     */
    private function askWhatOf(FormInterface $form, array $onRecord): void
    {
        $ids = $this->answered($form, $onRecord);
        foreach (self::DETAILS as $field) {
            if (
                !$this->isSaid($form, $field)
                || [] !== array_filter($ids, fn (string $id): bool => $this->has($id, $field))
            ) {
                continue;
            }
            $form
                ->get($field)
                ->addError(
                    new FormError(
                        'loads' === $field
                            ? $this->say(
                                'before.loads.yes',
                            )
                            : $this->say(
                                'before.eighteen.yes',
                            ),
                    ),
                );
        }
    }

    private function isSaid(FormInterface $form, string $field): bool
    {
        return !in_array($form->get($field)->getData(), [null, false, []], true);
    }

    /** Whether a condition has that detail. */
    private function has(string $id, string $field): bool
    {
        $condition = $this->catalogue->conditions()[$id] ?? null;

        return 'loads' === $field ? true === $condition?->isInFreeWords : Ending::Birthday === $condition?->ending;
    }

    /**
     * @param list<string> $onRecord
     *
     * @return list<string> what was answered with yes, and what is on record of which a detail was said today
     */
    private function answered(FormInterface $form, array $onRecord): array
    {
        $ids = array_merge(
            ...array_map(
                static fn (string $group): array => $form->get(str_replace('-', '_', $group))->getData() ?? [],
                array_keys($this->cautions()),
            ),
        );
        foreach ($this->catalogue->screenings() as $id => $screening) {
            if (count($form->get('points_'.str_replace('-', '_', $id))->getData() ?? []) >= $screening['least']) {
                $ids[] = $id;
            }
        }
        $said = array_filter(self::DETAILS, fn (string $field): bool => $this->isSaid($form, $field));
        foreach ($onRecord as $id) {
            if ([] !== array_filter($said, fn (string $field): bool => $this->has($id, $field))) {
                $ids[] = $id;
            }
        }

        return array_values(array_unique($ids));
    }

    /** What hurts is never dropped because the rest is faulty, or was sent before. */
    private function hear(Practitioner $practitioner, FormInterface $form, Request $request): void
    {
        $entry = $this->entryOf($form);
        $typed = RecordPain::sent($request, 'before');
        $known = $this->records->knows(Assessment::class, $entry)
            ? $this->assessments->assessment($practitioner, (string) $entry)
            : null;
        if (null === $known ? !$form->isValid() : !$known->pain()->equals($typed)) {
            $this->pain->of($practitioner, $this->teacher(), $typed, null, "before $entry");
            $this->pain->signs(
                $practitioner,
                $this->teacher(),
                $request->request->all('before')['stop_signs'] ?? [],
                $this->catalogue->stopSigns(),
                "before $entry",
            );
        }
    }

    /**
     * What was answered with yes, as far as it is new or says more: what is on record stays there, ticked or not.
     *
     * @param list<string> $onRecord
     *
     * @return list<string>
     */
    private function conditions(FormInterface $form, array $onRecord): array
    {
        $side = Side::tryFrom((string) $form->get('side')->getData());
        $eighteen = $form->get('eighteen')->getData();
        $hasConsent = true === $form->get('guardian')->getData();
        $sided = $this->catalogue->sided();
        $told = [];
        foreach ($this->answered($form, $onRecord) as $id) {
            $condition = $this->catalogue->conditions()[$id] ?? null;
            $isMinor = Ending::Birthday === $condition?->ending;
            $isSided = null !== $side && in_array($id, $sided, true);
            // A dated one may be a new one of its kind: its time begins anew.
            $isDated = null !== $condition?->months;
            if (
                in_array($id, $onRecord, true)
                && !$isSided
                && !$isDated
                && !($isMinor && ($hasConsent || null !== $eighteen))
                && true !== $condition?->isInFreeWords
            ) {
                continue;
            }
            $told[] = (new ToldCondition(
                $id,
                $isSided ? $side : null,
                $isMinor ? $eighteen : null,
                true === $condition?->isInFreeWords ? array_values($form->get('loads')->getData()) : [],
            ))->write();
        }

        return $hasConsent ? [...$told, ToldCondition::GUARDIAN] : $told;
    }

    /** @return array<string, array{string, array<string, string>}> the question's heading and its answers, by group */
    private function cautions(): array
    {
        $groups = [];
        foreach (array_reverse($this->catalogue->all(Kind::Caution)) as $id => $group) {
            // What stops at once is asked first.
            $groups[$id] = [$group['name'] ?? $group['text'], array_column($group['items'], 'id', 'ask')];
        }

        return $groups;
    }
}
