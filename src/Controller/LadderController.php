<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Form\CheckForm;
use LucidAscent\App\Form\Data\CheckData;
use LucidAscent\App\Form\DecisionForm;
use LucidAscent\App\Practice\PractisedSide;
use LucidAscent\App\Repository\HalfLotusSides;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Progression\Decide;
use LucidAscent\Core\Progression\ReadinessCheck;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Reason\Reason;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The half-lotus ladder: where each side stands, the check after practice, and the decision. */
final class LadderController extends TeacherController
{
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly HalfLotusSides $sides,
        private readonly PractisedSide $practised,
        private readonly ClockInterface $clock,
    ) {
    }

    #[Route('/practitioners/{id}/ladder', 'ladder', methods: ['GET'])]
    public function ladder(string $id): Response
    {
        $practitioner = $this->practitioner($id);
        $ladder = $this->catalogue->halfLotus();
        $undecided = [];
        foreach (Side::cases() as $side) {
            $checks = $this->records->checks($practitioner, $ladder->id, $side);
            $last = array_pop($checks);
            $undecided[$side->value] = null !== $last && null === $this->records->decision($last) ? $last : null;
        }

        return $this->render('ladder.html.twig', [
            'practitioner' => $practitioner,
            'ladder' => $ladder,
            'sides' => $this->sides->of($practitioner),
            'undecided' => $undecided,
            'postures' => $this->catalogue->all(Kind::Posture),
        ]);
    }

    #[Route('/practitioners/{id}/ladder/check/{side}', 'check', requirements: ['side' => 'left|right'], methods: ['GET', 'POST'])]
    public function check(string $id, Side $side, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $standing = $this->sides->of($practitioner)[$side->value]->standing;
        $rung = $standing->rung;
        if (null === $rung) {
            $this->addFlash('hint', 'This side stands on no rung now: its reading says why.');

            return $this->redirectToRoute('ladder', ['id' => $id]);
        }
        $data = new CheckData();
        $data->practisedOn = $this->clock->now()->setTime(0, 0);
        $form = $this->createForm(CheckForm::class, $data, [
            'today' => $this->clock->now()->setTime(0, 0),
            'entry' => (string) Uuid::v7(),
            'rung' => $rung->id,
            'hold_question' => $this->say('Was the hold reached? %hold%', ['%hold%' => $rung->hold]),
            'compensations' => array_flip($rung->compensations),
        ])->handleRequest($request);
        if ($form->isSubmitted() && $form->get('rung')->getData() !== $rung->id) {
            // Another tab has moved this side meanwhile; what was answered belongs to another rung.
            $form->addError(new \Symfony\Component\Form\FormError($this->say('Meanwhile this side was moved to "%rung%". Nothing was recorded: check that the answers belong to this rung, and send them again.', ['%rung%' => $rung->name])));
        }
        if ($form->isSubmitted() && $form->isValid()) {
            $entry = $this->entryOf($form);
            if (!$this->records->knows(RungCheck::class, $entry)) {
                $pain = $data->pain->pain();
                $this->records->add(new RungCheck(
                    $entry,
                    $practitioner,
                    $this->teacher(),
                    $this->catalogue->halfLotus()->id,
                    $side,
                    $rung->id,
                    $data->practisedOn,
                    $this->clock->now(),
                    $standing->propHeight,
                    (bool) $data->holdReached,
                    (bool) $data->evenBreath,
                    $pain->level,
                    $pain->place,
                    $pain->kind,
                    $data->compensations,
                    $data->soreAtNight,
                    trim((string) $data->note),
                ));
            }

            return $this->redirectToRoute('decision', ['id' => $id, 'check' => $entry]);
        }

        return $this->render('check.html.twig', [
            'practitioner' => $practitioner,
            'side' => $side,
            'rung' => $rung,
            'standing' => $standing,
            'form' => $form,
        ]);
    }

    #[Route('/practitioners/{id}/checks/{check}', 'decision', methods: ['GET', 'POST'])]
    public function decide(string $id, string $check, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $record = $this->records->check($practitioner, $check);
        $ladder = $this->catalogue->ladder($record->ladder);
        $isHalfLotus = $ladder->id === $this->catalogue->halfLotus()->id;
        $made = $this->records->decision($record);
        if (null !== $made) {
            if ($request->isMethod('POST')) {
                $this->addFlash('hint', 'A decision on this check is on record already; it stands.');
            }

            return $this->render('decision.html.twig', [
                'practitioner' => $practitioner,
                'check' => $record,
                'rung' => $ladder->rung($record->rung),
                'after' => $ladder->has($made->rungAfter) ? $ladder->rung($made->rungAfter) : null,
                'made' => $made,
            ]);
        }
        $history = $isHalfLotus
            ? $this->sides->history($this->sides->of($practitioner)[$record->side->value], $record)
            : $this->practised->history($record);
        $proposal = Decide::proposal($history);
        $form = $this->createForm(DecisionForm::class, ['step' => $proposal->step, 'why' => ''], [
            'proposed' => $proposal->step,
            'steps' => Decide::choices($history, $proposal),
        ])->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $step = $form->get('step')->getData();
            $this->records->add(new Decision(
                Uuid::v7(),
                $record,
                $practitioner,
                $this->teacher(),
                $ladder->id,
                $record->side,
                $this->clock->now(),
                $proposal->step,
                $step,
                array_map(static fn (Reason $r): array => ['code' => $r->code, 'source' => $r->source->value, 'numbers' => $r->numbers], $proposal->reasons),
                array_map(static fn (ReadinessCheck $c): string => $c->day(), $proposal->restsOn),
                Decide::rungAfter($history, $step)->id,
                $step === $proposal->step ? '' : trim((string) $form->get('why')->getData()),
                Rules::VERSION,
            ));
            $this->addFlash('done', 'The decision is recorded.');

            $plan = $this->records->newestPlan($practitioner);

            return $isHalfLotus || null === $plan
                ? $this->redirectToRoute('ladder', ['id' => $id])
                : $this->redirectToRoute('plan', ['id' => $id, 'plan' => $plan->id]);
        }

        return $this->render('decision.html.twig', [
            'practitioner' => $practitioner,
            'check' => $record,
            'rung' => $ladder->rung($record->rung),
            'after' => Decide::rungAfter($history, $proposal->step),
            'proposal' => $proposal,
            'form' => $form,
            'made' => null,
        ]);
    }
}
