<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Exchange\SolesTogetherPreview;
use LucidAscent\App\Form\Data\SolesTogetherData;
use LucidAscent\App\Form\SolesTogetherForm;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\Rules;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

final class SolesTogetherController extends TeacherController
{
    public const PREVIEW_TOKEN = 'preview';

    public function __construct(private readonly ClockInterface $clock)
    {
    }

    #[Route('/practitioners/{id}/tests/soles-together', 'soles_together', methods: ['GET', 'POST'])]
    public function take(string $id, Request $request): Response
    {
        return $this->form($this->practitioner($id), [], $request);
    }

    #[Route('/practitioners/{id}/tests/soles-together/{entry}/correct', 'soles_together_correct', methods: ['GET', 'POST'])]
    public function correct(string $id, string $entry, Request $request): Response
    {
        $practitioner = $this->practitioner($id);

        return $this->form($practitioner, $this->records->entry($practitioner, $entry), $request);
    }

    #[Route('/practitioners/{id}/tests/soles-together/preview', 'soles_together_preview', methods: ['POST'])]
    public function preview(string $id, Request $request): JsonResponse
    {
        $body = $this->records->body($this->practitioner($id));
        if (!$this->isCsrfTokenValid(self::PREVIEW_TOKEN, $request->headers->get('X-Token'))) {
            throw $this->createAccessDeniedException();
        }
        if (null === $body) {
            return new JsonResponse(['error' => 'The body has not been measured.'], 409);
        }

        return new JsonResponse(SolesTogetherPreview::answer(json_decode($request->getContent(), true), $body->proportions(), $this->clock->now()));
    }

    /** @param list<Test> $corrected both sides of the entry to correct; empty for a new test */
    private function form(Practitioner $practitioner, array $corrected, Request $request): Response
    {
        $body = $this->records->body($practitioner);
        if (null === $body) {
            $this->addFlash('hint', 'First the body: without its lengths a height says nothing.');

            return $this->redirectToRoute('body', ['id' => $practitioner->id]);
        }
        $proportions = $body->proportions();
        $data = [] === $corrected ? new SolesTogetherData($proportions) : SolesTogetherData::of($corrected, $proportions);
        $form = $this->createForm(SolesTogetherForm::class, $data, ['entry' => (string) Uuid::v7()])->handleRequest($request);
        if ([] !== $corrected && $this->records->isCorrected($corrected[0]->entryId) && !$form->isSubmitted()) {
            $this->addFlash('hint', 'This entry has been corrected already; the newer one stands in its place.');

            return $this->redirectToRoute('practitioner', ['id' => $practitioner->id]);
        }
        if ($form->isSubmitted() && $form->isValid()) {
            $this->keep($practitioner, $data, $this->entryOf($form), $corrected[0]->entryId ?? null);
            $this->addFlash('done', 'The test is recorded.');

            return $this->redirectToRoute('reading', ['id' => $practitioner->id]);
        }

        return $this->render('soles_together.html.twig', [
            'practitioner' => $practitioner,
            'form' => $form,
            'corrects' => $corrected[0] ?? null,
            'token' => self::PREVIEW_TOKEN,
        ]);
    }

    private function keep(Practitioner $practitioner, SolesTogetherData $data, Uuid $entry, ?Uuid $corrects): void
    {
        if ($this->records->hasEntry($practitioner, $entry)) {
            return;
        }
        $tests = [];
        foreach (Side::cases() as $side) {
            $pain = $data->pain($side)->pain();
            $test = new Test(
                Uuid::v7(),
                $entry,
                $practitioner,
                $this->teacher(),
                Test::SOLES_TOGETHER,
                $side,
                $this->clock->now(),
                'tape',
                (float) $data->seat,
                $pain->level,
                $pain->place,
                $pain->kind,
                [],
                Rules::VERSION,
                $corrects,
            );
            foreach ($data->trialsOf($side) as $trial) {
                $test->add($trial);
            }
            $tests[] = $test;
        }
        $this->records->add(...$tests);
    }
}
