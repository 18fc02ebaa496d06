<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Bench\PersonSpine;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Form\BodyForm;
use LucidAscent\App\Form\ClearanceForm;
use LucidAscent\App\Form\Data\BodyData;
use LucidAscent\App\Form\PractitionerForm;
use LucidAscent\App\Json\AllowanceFields;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\Person\Due;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Repository\AssessmentRecords;
use LucidAscent\App\Repository\ShownTest;
use LucidAscent\App\Repository\TestHistory;
use LucidAscent\App\Text\ConditionName;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Readiness\JointShape;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\TrialCheck;
use Symfony\Component\Form\FormError;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A person: how each side stands, the body, what is held and what lifts it. */
final class PractitionerController extends TeacherController
{
    public const MISTAKE = 'mistake';

    public function __construct(
        private readonly AssessmentRecords $assessments,
        private readonly ConditionName $conditionName,
    ) {
    }

    /** What a page shows of each list at first: a page of years is not read at a glance. */
    private const MOST = 20;
    private const ALL = 1_000_000;

    #[Route('/practitioners/new', 'practitioner_new', methods: ['GET', 'POST'])]
    public function new(Request $request): Response
    {
        $form = $this->createForm(
            PractitionerForm::class,
            options: ['entry' => (string) Uuid::v7()],
        )->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $id = $this->entryOf($form);
            if ($this->records->knows(Practitioner::class, $id)) {
                $this->sayRecorded(false, '');
            } else {
                $now = $this->clock->now();
                $this->recordOnce(
                    $form,
                    new Practitioner(
                        $id,
                        $this->teacher(),
                        trim((string) $form->get('name')->getData()),
                        $now,
                        $now,
                    ),
                );
            }

            return $this->redirectToRoute('body', ['id' => $id]);
        }

        return $this->render('practitioner/new.html.twig', ['form' => $form]);
    }

    #[Route('/practitioners/{id}', 'practitioner', methods: ['GET'])]
    #[CachedPage(['all'])]
    public function show(
        string $id,
        Request $request,
        Catalogue $catalogue,
        PersonSpine $spine,
        ReadPerson $person,
        Wanted $wanted,
        Due $due,
        TestHistory $tests,
    ): Response {
        $practitioner = $this->practitioner($id);
        $isAll = null !== $request->query->get('all');
        $most = $isAll ? self::ALL : self::MOST;
        [$entries, $hasOlder] = $tests->newest($practitioner, $most);
        $assessments = $this->assessments->assessments($practitioner);
        $decisions = $this->records->allDecisions($practitioner);
        $poses = $person->now($practitioner);
        $held = $poses->person->holds ?? $person->holds($practitioner);
        $wants = $wanted->of($practitioner);
        $body = $this->records->body($practitioner);
        $slips = $this->slips($held);
        $request->attributes->set(
            CachedPage::UNTIL,
            [] === $slips ? null : min(array_map(EnteredByMistake::until(...), $slips)),
        );

        return $this->render('practitioner/show.html.twig', [
            'practitioner' => $practitioner,
            'body' => $body,
            'rows' => null === $poses ? [] : $spine->rows($poses, $wants),
            'poses' => $poses,
            'wanted' => null === $poses ? [] : $wants,
            'holds' => $held,
            'due' => $due->of($practitioner, $poses),
            'isAll' => $isAll,
            'assessments' => array_slice($assessments, 0, $most),
            'names' => array_map(static fn (array $test): string => $test['name'], $catalogue->all(Kind::Test)),
            'entries' => $entries,
            'unreadable' => $this->unreadable($entries, $catalogue->tests(), $body?->proportions()),
            'older' => $hasOlder || $most < max(count($assessments), count($decisions)),
            'decisions' => array_slice($decisions, 0, $most),
            'clearances' => $this->records->clearances($practitioner),
            'mistakes' => $this->records->mistakes($practitioner),
            'shapes' => null === $poses ? [] : JointShape::all($poses->person),
            'token' => self::MISTAKE,
            'slips' => array_map(static fn (Entry $entry): string => $entry->id(), $slips),
        ]);
    }

    /**
     * Those that nobody can have read, by a slip of the keyboard or of a file, and those that show nothing: what is
     * wrong with each. They prove nothing until they are corrected or taken otherwise.
     *
     * @param array<string, array<string, ShownTest>> $entries by entry and side
     * @param array<string, TestDefinition> $tests
     *
     * @return array<string, string> by entry and side: "… left"
     */
    private function unreadable(array $entries, array $tests, ?Proportions $proportions): array
    {
        $unreadable = [];
        foreach ($entries as $entry => $both) {
            foreach ($both as $side => $test) {
                $trials = array_column($test->trials, 'readings');
                if ([] === $trials) {
                    continue;
                }
                $taken = new TakenTest($test->kind, Side::from($side), Tool::Tape, $trials);
                $definition = $tests[$test->kind] ?? null;
                $because = match (true) {
                    !TrialCheck::isReadable($definition, $taken) => $this->say('body.unlikely'),
                    null === $definition || null === $proportions => null,
                    default => TrialCheck::showsNothing($definition, $taken, $proportions),
                };
                if (null !== $because) {
                    $unreadable["$entry $side"] = $because;
                }
            }
        }

        return $unreadable;
    }

    #[Route('/practitioners/{id}/body', 'body', methods: ['GET', 'POST'])]
    public function body(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $earlier = $this->records->body($practitioner);
        $data = null === $earlier ? new BodyData() : BodyData::of($earlier->proportions(), $earlier->lengths);
        $form = $this->createForm(BodyForm::class, $data, ['entry' => (string) Uuid::v7()])->handleRequest(
            $request,
        );
        if ($form->isSubmitted() && $form->isValid()) {
            $entry = $this->entryOf($form);
            $isNew = !$this->records->knows(BodyMeasures::class, $entry);
            if ($isNew) {
                $this->recordOnce(
                    $form,
                    new BodyMeasures(
                        $entry,
                        $practitioner,
                        $this->teacher(),
                        $this->clock->now(),
                        (float) $data->stature,
                        $data->lengths(),
                        $data->doubts(),
                    ),
                );
            }
            $this->sayRecorded($isNew, 'body.saved');

            return $this->redirectToRoute(
                null === $earlier ? 'bench' : 'practitioner',
                ['id' => $id] + (null === $earlier ? ['test' => Test::SOLES_TOGETHER] : []),
            );
        }

        return $this->render('practitioner/body.html.twig', [
            'practitioner' => $practitioner,
            'form' => $form,
            'earlier' => $earlier,
            'fields' => BodyData::FIELDS,
        ]);
    }

    /** A word in writing that lifts what it names; who may give it is for the judge of holds to say. */
    #[Route('/practitioners/{id}/clearance', 'clearance', methods: ['GET', 'POST'])]
    public function clearance(string $id, Request $request, ReadPerson $person): Response
    {
        $practitioner = $this->practitioner($id);
        $now = $this->clock->now();
        $active = $person->holds($practitioner)->active;
        $liftable = array_values(array_filter($active, static fn (Hold $hold): bool => null !== $hold->word));
        $form = $this->createForm(
            ClearanceForm::class,
            options: ['entry' => (string) Uuid::v7(), 'holds' => $liftable, 'today' => $this->today()],
        )->handleRequest($request);
        if ($form->isSubmitted() && [] === $liftable) {
            $form->addError(new FormError($this->say('clearance.nothing_held')));
        }
        if ($form->isSubmitted() && $form->isValid()) {
            $allowance = $form->get('allowance')->getData()->allowance();
            $clearance = new Clearance(
                $this->entryOf($form),
                $practitioner,
                $this->teacher(),
                $now,
                trim((string) $form->get('clearedBy')->getData()),
                $form->get('word')->getData(),
                $form->get('givenOn')->getData(),
                trim((string) $form->get('allows')->getData()),
                (bool) $form->get('asked')->getData(),
                array_values($form->get('names')->getData()),
                trim((string) $form->get('profession')->getData()),
                AllowanceFields::write($allowance),
            );
            $word = PersonHistory::clearance($clearance);
            $still = $allowance->isNothing ? [] : $person->holds($practitioner, $word)->notLiftedBy($word);
            foreach ($still as $hold) {
                $form->get('names')->addError(new FormError($this->whyNot($hold)));
            }
            if ([] === $still) {
                $this->sayRecorded(
                    $this->recordOnce($form, $clearance),
                    match (true) {
                        $allowance->isNothing => 'clearance.saved.none',
                        $allowance->isAll() => 'clearance.saved',
                        default => 'clearance.saved.part',
                    },
                );

                return $this->redirectToRoute('practitioner', ['id' => $id]);
            }
        }

        return $this->render('practitioner/clearance.html.twig', [
            'practitioner' => $practitioner,
            'holds' => $active,
            'liftable' => $liftable,
            'form' => $form,
        ]);
    }

    /** A slip of the pen, taken back by whoever made it, within a day and with a reason. */
    #[Route('/practitioners/{id}/mistake', 'mistake', methods: ['POST'])]
    public function mistake(string $id, Request $request, ReadPerson $person): Response
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::MISTAKE, $request);
        $names = $request->request->getString('names');
        $why = trim($request->request->getString('why'));
        $now = $this->clock->now();
        $mistake = new Mistake(
            Uuid::v7(),
            $practitioner,
            $this->teacher(),
            $now,
            mb_substr($names, 0, 120),
            mb_substr($why, 0, 2000),
        );
        $after = $person->holds($practitioner, PersonHistory::mistake($mistake));
        if ('' === $why) {
            $this->addFlash('hint', 'mistake.why.missing');
        } elseif (null === $person->holds($practitioner)->find($names) || null !== $after->find($names)) {
            $this->addFlash(
                'hint',
                'mistake.refused',
            );
        } else {
            $this->records->add($mistake);
            $this->addFlash('done', 'mistake.saved');
        }

        return $this->redirectToRoute('practitioner', ['id' => $id]);
    }

    /** @return list<Entry> what holds and may still be taken back by this teacher as a slip of the pen */
    private function slips(Holds $holds): array
    {
        $own = array_filter(
            $holds->active,
            fn (Hold $hold): bool => EnteredByMistake::mayTakeBack(
                $hold->entry,
                (string) $this->teacher()->id,
                $this->clock->now(),
            ),
        );

        return array_values(array_map(static fn (Hold $hold): Entry => $hold->entry, $own));
    }

    private function whyNot(Hold $hold): string
    {
        return match (true) {
            ClearanceAuthority::Clinician === $hold->word => $this->say(
                'clearance.needs_clinician',
                ['name' => $this->conditionName->of($hold->holds)],
            ),
            null !== $hold->earliest => $this->say(
                'clearance.from',
                ['name' => $this->conditionName->of($hold->holds), 'day' => $hold->earliest->format('Y-m-d')],
            ),
            default => $this->say('clearance.not_this', ['name' => $this->conditionName->of($hold->holds)]),
        };
    }
}
