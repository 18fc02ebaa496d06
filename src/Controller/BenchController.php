<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Bench\AssessmentPlan;
use LucidAscent\App\Bench\BenchData;
use LucidAscent\App\Bench\BenchForm;
use LucidAscent\App\Bench\BenchPreview;
use LucidAscent\App\Bench\BenchTest;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Form\AsksOfWords;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\App\Repository\AssessmentRecords;
use LucidAscent\App\Repository\FormRecords;
use LucidAscent\App\Repository\PictureRecords;
use LucidAscent\App\Repository\TestRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainRule;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\Rules;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The test bench: one test at a time, both sides, alone or as part of an assessment. */
final class BenchController extends TeacherController
{
    public const TOKEN = 'bench';

    public function __construct(
        private readonly PictureRecords $pictureRecords,
        private readonly FormRecords $formRecords,
        private readonly TestRecords $testRecords,
        private readonly AssessmentRecords $assessments,
        private readonly Catalogue $catalogue,
        private readonly BenchPreview $preview,
        private readonly RecordPain $pain,
        private readonly ReadPerson $person,
        private readonly AssessmentPlan $plan,
    ) {
    }

    #[Route('/practitioners/{id}/tests/{test}', 'bench', methods: ['GET', 'POST'])]
    public function take(string $id, string $test, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $assessment = $request->query->has('assessment')
            ? $this->assessments->assessment($practitioner, (string) $request->query->get('assessment'))
            : null;

        return $this->form($practitioner, $this->test($test), $assessment, [], $request);
    }

    #[Route('/practitioners/{id}/tests/{test}/{entry}/correct', 'bench_correct', methods: ['GET', 'POST'])]
    public function correct(string $id, string $test, string $entry, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $corrected = $this->testRecords->entry($practitioner, $entry);

        return $this->form(
            $practitioner,
            $this->test($corrected[0]->kind),
            $corrected[0]->assessment,
            $corrected,
            $request,
        );
    }

    #[Route('/practitioners/{id}/tests/{test}/preview', 'bench_preview', methods: ['POST'])]
    public function preview(string $id, string $test, Request $request): JsonResponse
    {
        $practitioner = $this->practitioner($id);
        $body = $this->records->body($practitioner);
        $this->checkToken(self::TOKEN, $request);
        if (null === $body) {
            return new JsonResponse(['error' => 'The body has not been measured.'], 409);
        }
        $data = new BenchData($this->test($test), $body->proportions(), Side::cases());
        // Not sent as a form to keep: what is wrong with it is said when it is.
        $this->createForm(BenchForm::class, $data, ['csrf_protection' => false])->submit(
            $request->request->all('bench'),
            false,
        );

        return new JsonResponse(
            $this->preview->of($data, $body->proportions(), $this->testRecords->toolErrors($this->teacher())),
        );
    }

    /** @throws \Symfony\Component\HttpKernel\Exception\NotFoundHttpException when the catalogue has no such test */
    private function test(string $id): BenchTest
    {
        return new BenchTest(
            $this->catalogue->entry(Kind::Test, $id) ?? throw $this->createNotFoundException(),
            $this->catalogue->tests()[$id],
        );
    }

    /** @param list<Test> $corrected both sides of the entry to correct; empty for a new test */
    private function form(
        Practitioner $practitioner,
        BenchTest $test,
        ?Assessment $assessment,
        array $corrected,
        Request $request,
    ): Response {
        $body = $this->records->body($practitioner);
        if (null === $body) {
            return $this->bodyFirst($practitioner);
        }
        $held = [] === $corrected ? self::held($this->person->holds($practitioner), $test) : [];
        // What was measured before it was held, or before anybody knew, is not thrown away: it is written down, and
        // opens nothing.
        $sides = array_values(
            array_filter(
                Side::cases(),
                static fn (Side $side): bool => !isset($held[$side->value]) || self::isSent($request, $side),
            ),
        );
        $data =
            [] === $corrected
                ? new BenchData($test, $body->proportions(), $sides)
                : BenchData::ofEntry($corrected, $test, $body->proportions());
        $form = $this->createForm(BenchForm::class, $data, ['entry' => (string) Uuid::v7()])->handleRequest(
            $request,
        );
        if ([] !== $corrected && $this->testRecords->isCorrected($corrected[0]->entryId) && !$form->isSubmitted()) {
            $this->addFlash('hint', 'bench.corrected');

            return $this->redirectToRoute('practitioner', ['id' => $practitioner->id]);
        }
        if ($form->isSubmitted()) {
            $entry = $this->entryOf($form);
            $isNew = !$this->testRecords->hasEntry($practitioner, $entry);
            $isKept = [] !== $sides && $form->isValid() && $isNew;
            $this->hear($practitioner, $data, $entry, $isKept, $request);
            if ($isKept) {
                $this->keep($practitioner, $form, $data, $assessment, $corrected[0]->entryId ?? null);
            }
            if ([] !== $sides && $form->isValid()) {
                $this->formRecords->dropDraft(
                    $practitioner,
                    $this->teacher(),
                    $test->id(),
                    $request->request->getInt('draft'),
                );

                return $this->onward($practitioner, $data, $assessment, [] !== $corrected, $isNew);
            }
        }

        return $this->render('bench/test.html.twig', [
            'practitioner' => $practitioner,
            'test' => $test,
            'form' => $form,
            'data' => $data,
            'held' => $held,
            'assessment' => $assessment,
            'taken' => null === $assessment ? [] : AssessmentPlan::taken($this->testRecords->testsOf($assessment)),
            'names' => $this->catalogue->names(Kind::Test),
            'corrects' => $corrected[0] ?? null,
            'draft' => [] === $corrected
                    ? $this->formRecords->draft($practitioner, $this->teacher(), $test->id())
                    : null,
            'token' => self::TOKEN,
            'body' => $this->records->body($practitioner)?->proportions(),
            'pictures' => array_values(
                array_filter(
                    $this->pictureRecords->pictures($practitioner),
                    static fn ($picture): bool => $picture->test === $test->id(),
                ),
            ),
        ]);
    }

    /**
     * What hurts is never dropped: beside a side without numbers, with a form that is faulty, or sent again.
     */
    private function hear(
        Practitioner $practitioner,
        BenchData $data,
        Uuid $entry,
        bool $isKept,
        Request $request,
    ): void {
        foreach (Side::cases() as $side) {
            $typed = RecordPain::sent($request, 'bench', 'pain'.ucfirst($side->value));
            $isInTest = $isKept && in_array($side, $data->sides, true) && $data->isStarted($side);
            foreach ($isInTest ? [] : $this->alreadySaid($practitioner, $entry, $side) as $pain) {
                $isInTest = $isInTest || $pain->equals($typed);
            }
            if (!$isInTest) {
                $this->pain->of($practitioner, $this->teacher(), $typed, $side, "test $entry", $data->test->id());
            }
        }
    }

    private static function isSent(Request $request, Side $side): bool
    {
        return array_key_exists('pain'.ucfirst($side->value), $request->request->all('bench'));
    }

    /** @return list<Pain> with this entry, on this side */
    private function alreadySaid(Practitioner $practitioner, Uuid $entry, Side $side): array
    {
        $said = [];
        foreach (
            $this->testRecords->hasEntry($practitioner, $entry)
                ? $this->testRecords->entry($practitioner, (string) $entry)
                : [] as $test
        ) {
            if ($test->side === $side) {
                $said[] = $test->pain();
            }
        }

        return $said;
    }

    /** @return array<string, list<string>> names of what holds it, by the side that it holds */
    private static function held(Holds $holds, BenchTest $test): array
    {
        $held = [];
        foreach (Side::cases() as $side) {
            $held[$side->value] = May::take($holds, $test->definition, $side)->heldBy();
        }

        return array_filter($held);
    }

    private function onward(
        Practitioner $practitioner,
        BenchData $data,
        ?Assessment $assessment,
        bool $isCorrection,
        bool $isNew,
    ): Response {
        $stops = array_filter(
            $data->sides,
            static fn (Side $side): bool => null !==
                PainRule::of($data->pain($side)->pain(), $side, $data->test->definition->work),
        );
        $this->sayRecorded($isNew, 'bench.saved');
        if ([] !== $stops) {
            $this->addFlash(
                'hint',
                $this->say('bench.stopped', [
                    'gentler' => $data->test->entry['gentler'],
                ]),
            );
        }
        if (null !== $assessment && !$isCorrection) {
            $next = $this->plan->next(
                $assessment,
                $this->testRecords->testsOf($assessment),
                $this->person->holds($practitioner),
                $this->person->now($practitioner),
            );

            return null === $next
                ? $this->redirectToRoute('assessment', [
                    'id' => $practitioner->id,
                    'assessment' => $assessment->id,
                ])
                : $this->redirectToRoute('bench', [
                    'id' => $practitioner->id,
                    'test' => $next,
                    'assessment' => $assessment->id,
                ]);
        }

        return $this->redirectToRoute('practitioner', ['id' => $practitioner->id]);
    }

    private function keep(
        Practitioner $practitioner,
        FormInterface $form,
        BenchData $data,
        ?Assessment $assessment,
        ?Uuid $corrects,
    ): void {
        $entry = $this->entryOf($form);
        $tests = [];
        foreach (array_filter($data->sides, $data->isStarted(...)) as $side) {
            $pain = $data->pain($side)->pain();
            $test = new Test(
                Uuid::v7(),
                $entry,
                $practitioner,
                $this->teacher(),
                $data->test->id(),
                $side,
                $this->clock->now(),
                $data->tool->value,
                $data->seatCm() ?? 0.0,
                $pain->level,
                $pain->place,
                $pain->kind,
                $data->compensations($side),
                Rules::VERSION,
                $corrects,
                $assessment,
                $data->resting($side),
                trim((string) $data->note),
                AsksOfWords::isRead($form),
            );
            foreach ($data->readings($side) as $i => $readings) {
                $test->add($readings, $data->entered($i, $side), $data->toolErrors($i, $side));
            }
            $tests[] = $test;
        }
        $this->recordOnce($form, ...$tests);
    }
}
