<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Bench\Holds;
use LucidAscent\App\Bench\PersonSpine;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Form\BodyForm;
use LucidAscent\App\Form\ClearanceForm;
use LucidAscent\App\Form\Data\BodyData;
use LucidAscent\App\Form\PractitionerForm;
use LucidAscent\App\Reading\PersonOn;
use LucidAscent\App\Repository\HalfLotusSides;
use LucidAscent\Core\Body\Side;
use Psr\Clock\ClockInterface;
use Symfony\Component\Form\FormError;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

final class PractitionerController extends TeacherController
{
    #[Route('/practitioners/new', 'practitioner_new', methods: ['GET', 'POST'])]
    public function new(Request $request, ClockInterface $clock): Response
    {
        $form = $this->createForm(PractitionerForm::class, options: ['entry' => (string) Uuid::v7()])->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $id = $this->entryOf($form);
            if (!$this->records->knows(Practitioner::class, $id)) {
                $now = $clock->now();
                $this->records->add(new Practitioner($id, $this->teacher(), trim((string) $form->get('name')->getData()), $now, $now));
            }

            return $this->redirectToRoute('body', ['id' => $id]);
        }

        return $this->render('practitioner/new.html.twig', ['form' => $form]);
    }

    #[Route('/practitioners/{id}', 'practitioner', methods: ['GET'])]
    public function show(string $id, HalfLotusSides $sides, Catalogue $catalogue, PersonSpine $spine, Holds $holds, PersonOn $person, ClockInterface $clock): Response
    {
        $practitioner = $this->practitioner($id);
        $ladder = $catalogue->halfLotus();
        $body = $this->records->body($practitioner);
        $taken = $this->records->tests($practitioner);
        $tests = [];
        foreach ($taken as $test) {
            $tests[(string) $test->entryId][$test->side->value] = $test;
        }
        foreach ($tests as &$both) {
            ksort($both);
        }
        unset($both);
        $assessments = $this->records->assessments($practitioner);
        $poses = $person->at($practitioner, $clock->now());

        return $this->render('practitioner/show.html.twig', [
            'practitioner' => $practitioner,
            'body' => $body,
            'rows' => null === $poses ? [] : $spine->rows($poses->person->capacities, $assessments[0]->wanted ?? [], $poses->person->proportions),
            'poses' => $poses,
            'wanted' => null === $poses ? [] : array_values(array_filter($assessments[0]->wanted ?? [], static fn (string $id): bool => isset($catalogue->postures()[$id]))),
            'plan' => $this->records->newestPlan($practitioner),
            'assessments' => $assessments,
            'conditions' => $holds->conditions($practitioner, $assessments[0] ?? null),
            'names' => array_map(static fn (array $test): string => $test['name'], $catalogue->all(Kind::Test)),
            'sides' => $sides->of($practitioner),
            'entries' => $tests,
            'ladder' => $ladder,
            'decisions' => $this->records->decisions($practitioner, $ladder->id),
            'clearances' => $this->records->clearances($practitioner),
        ]);
    }

    #[Route('/practitioners/{id}/body', 'body', methods: ['GET', 'POST'])]
    public function body(string $id, Request $request, ClockInterface $clock): Response
    {
        $practitioner = $this->practitioner($id);
        $earlier = $this->records->body($practitioner);
        $data = null === $earlier ? new BodyData() : BodyData::of($earlier->proportions(), $earlier->lengths);
        $form = $this->createForm(BodyForm::class, $data, ['entry' => (string) Uuid::v7()])->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $entry = $this->entryOf($form);
            if (!$this->records->knows(BodyMeasures::class, $entry)) {
                $this->records->add(new BodyMeasures($entry, $practitioner, $this->teacher(), $clock->now(), (float) $data->stature, $data->lengths(), $data->doubts()));
            }
            $this->addFlash('done', 'The body measures are recorded.');

            return $this->redirectToRoute(null === $earlier ? 'bench' : 'practitioner', ['id' => $id] + (null === $earlier ? ['test' => Test::SOLES_TOGETHER] : []));
        }

        return $this->render('practitioner/body.html.twig', [
            'practitioner' => $practitioner,
            'form' => $form,
            'earlier' => $earlier,
            'fields' => BodyData::FIELDS,
        ]);
    }

    #[Route('/practitioners/{id}/clearance/{side}', 'clearance', requirements: ['side' => 'left|right'], methods: ['GET', 'POST'])]
    public function clearance(string $id, Side $side, Request $request, HalfLotusSides $sides, ClockInterface $clock): Response
    {
        $practitioner = $this->practitioner($id);
        $held = $sides->of($practitioner)[$side->value]->isHeld();
        $form = $this->createForm(ClearanceForm::class, options: ['entry' => (string) Uuid::v7()])->handleRequest($request);
        if ($form->isSubmitted() && !$held) {
            $form->addError(new FormError('This side is not held any more: nothing was recorded.'));
        }
        if ($form->isSubmitted() && $form->isValid()) {
            $this->records->add(new Clearance(
                $this->entryOf($form),
                $practitioner,
                $this->teacher(),
                $side,
                $clock->now(),
                trim((string) $form->get('clearedBy')->getData()),
                trim((string) $form->get('reason')->getData()),
            ));
            $this->addFlash('done', 'The clearance is recorded. Test this side again before anything else.');

            return $this->redirectToRoute('practitioner', ['id' => $id]);
        }

        return $this->render('practitioner/clearance.html.twig', ['practitioner' => $practitioner, 'side' => $side, 'held' => $held, 'form' => $form]);
    }
}
