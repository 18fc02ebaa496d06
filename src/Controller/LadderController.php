<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Audit\Action;
use LucidAscent\App\Audit\AuditRequests;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Form\AsksOfWords;
use LucidAscent\App\Form\CheckForm;
use LucidAscent\App\Form\Data\CheckData;
use LucidAscent\App\Form\DecisionForm;
use LucidAscent\App\Log\PractisedSide;
use LucidAscent\App\Log\Undecided;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\Person\Reaches;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RecordFelt;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Text\HoldText;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Progression\Decide;
use LucidAscent\Core\Readiness\FormReading;
use LucidAscent\Core\Readiness\FrontShin;
use LucidAscent\Core\Readiness\PlantedHip;
use LucidAscent\Core\Readiness\PoseReading;
use LucidAscent\Core\Readiness\PropHeights;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The ladder of any posture: where each side stands, what was practised, and what comes next. */
final class LadderController extends TeacherController
{
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly ReadPerson $person,
        private readonly PractisedSide $practised,
        private readonly RecordPain $pain,
        private readonly RecordFelt $felt,
        private readonly Undecided $undecided,
        private readonly Wanted $wanted,
        private readonly HoldText $holdText,
        private readonly Reaches $reaches,
    ) {
    }

    #[Route('/practitioners/{id}/ladder/{posture}', 'ladder', defaults: ['posture' => 'half-lotus'], methods: ['GET'])]
    #[CachedPage]
    public function ladder(string $id, string $posture): Response
    {
        $practitioner = $this->practitioner($id);
        isset($this->catalogue->postures()[$posture]) || throw $this->createNotFoundException();
        $poses = $this->person->now($practitioner);
        if (null === $poses) {
            return $this->bodyFirst($practitioner);
        }
        $sides = $undecided = $heights = [];
        $open = $this->undecided->of($practitioner);
        foreach (Side::cases() as $side) {
            $sides[$side->value] = $poses->of($posture, $side);
            $undecided[] = $open["$posture $side->value"] ?? [];
            $now = $sides[$side->value]->onLadder()->rung;
            $heights[$side->value] = null === $now ? null : PropHeights::of($now, $poses->person, $side);
        }

        $forms = $this->catalogue->entry(Kind::Posture, $posture)['forms'] ?? [];

        return $this->render('ladder.html.twig', [
            'practitioner' => $practitioner,
            'ladder' => $this->catalogue->ladder($posture),
            'forms' => $forms,
            'form_sides' => array_map(
                static fn (array $form): array => array_map(
                    static fn (Side $side): ?FormReading => $poses->form($posture, $form['id'], $side),
                    ['left' => Side::Left, 'right' => Side::Right],
                ),
                array_column($forms, null, 'id'),
            ),
            'sides' => $sides,
            'body' => $poses->person->proportions,
            'purpose' => $poses->person->purposes[$posture] ?? null,
            'heights' => $heights,
            'planted' => array_filter(
                array_map(
                    static fn (PoseReading $pose): array => PlantedHip::isAskedBy($pose->full()->rung)
                        ? PlantedHip::reasons($poses->person, $pose->side->opposite())
                        : [],
                    $sides,
                ),
            ),
            'front_shin' => array_filter(
                array_map(
                    static fn (PoseReading $pose): array => FrontShin::isAskedBy($pose->full()->rung)
                        ? FrontShin::reasons($poses->person, $pose->side)
                        : [],
                    $sides,
                ),
            ),
            'reaches' => $this->reaches->of($practitioner, $poses, $posture),
            'undecided' => array_filter($undecided),
            'wanted' => $this->wanted->of($practitioner),
            'postures' => $this->catalogue->all(Kind::Posture),
            'tests' => $this->catalogue->tests(),
        ]);
    }

    #[Route(
        '/practitioners/{id}/ladder/{posture}/check/{side}',
        'check',
        requirements: ['side' => 'left|right'],
        methods: ['GET', 'POST'],
    )]
    public function check(string $id, string $posture, Side $side, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        isset($this->catalogue->postures()[$posture]) || throw $this->createNotFoundException();
        $poses = $this->person->now($practitioner);
        if (null === $poses) {
            return $this->bodyFirst($practitioner);
        }
        $typed = $request->isMethod('POST') ? RecordPain::sent($request, 'check_form') : Pain::none();
        $felt = RecordFelt::sent($request, 'check_form');
        $rung = $poses->of($posture, $side)->onLadder()->rung;
        if (null === $rung) {
            // Somebody had the form open while the side came to be held: what hurt is written down all the same.
            $source = 'check '.$this->sentEntry($request, 'check_form');
            $this->pain->of($practitioner, $this->teacher(), $typed, $side, $source, $posture);
            $this->felt->hear($practitioner, $this->teacher(), $felt, $side, $source, $posture, '');
            $this->addFlash('hint', 'check.no_rung');

            return $this->redirectToRoute('ladder', ['id' => $id, 'posture' => $posture]);
        }
        $text = $this->catalogue->ladder($posture)->rung($rung->rung->id);
        $height = PropHeights::of($rung, $poses->person, $side);
        $data = new CheckData();
        $data->practisedOn = $this->today();
        $form = $this->createForm(CheckForm::class, $data, [
            'today' => $this->today(),
            'entry' => (string) Uuid::v7(),
            'rung' => $rung->rung->id,
            'hold_question' => $this->say('check.hold', [
                'hold' => $this->holdText->least($text->texts['hold']),
            ]),
            'compensations' => array_flip($text->compensations),
            'prop' => $rung->rung->prop,
            'felt' => ['posture' => $posture, 'rung' => $rung->rung->id],
        ])->handleRequest($request);
        if ($form->isSubmitted() && $form->get('rung')->getData() !== $rung->rung->id) {
            // Another tab has moved this side meanwhile; what was answered belongs to another rung.
            $form->addError(
                new FormError(
                    $this->say(
                        'check.moved',
                        ['rung' => $rung->rung->name],
                    ),
                ),
            );
        }
        if ($form->isSubmitted()) {
            $entry = $this->entryOf($form);
            $known = $this->records->knows(RungCheck::class, $entry)
                ? $this->records->check($practitioner, (string) $entry)
                : null;
            $source = "check $entry";
            if ($form->isValid() && null === $known) {
                $this->sayFelt(
                    $this->felt->of(
                        $practitioner,
                        $this->teacher(),
                        $data->felt->felt(),
                        $side,
                        $source,
                        $posture,
                        $rung->rung->id,
                        $data->practisedOn,
                    ),
                );
                $this->keep($practitioner, $form, $posture, $side, $rung->rung->id, $data);

                return $this->redirectToRoute('decision', ['id' => $id, 'check' => $entry]);
            }
            // What hurt is never dropped because the rest is faulty, or was recorded before.
            if (null === $known || !$known->check()->pain->equals($typed)) {
                $this->pain->of($practitioner, $this->teacher(), $typed, $side, $source, $posture, $rung->rung->id);
            }
            $this->felt->hear($practitioner, $this->teacher(), $felt, $side, $source, $posture, $rung->rung->id);
            if (null !== $known && $form->isValid()) {
                $this->sayRecorded(false, '');

                return $this->redirectToRoute('decision', ['id' => $id, 'check' => $entry]);
            }
        }

        return $this->render('check.html.twig', [
            'body' => $poses->person->proportions,
            'practitioner' => $practitioner,
            'side' => $side,
            'posture' => $this->catalogue->postures()[$posture],
            'rung' => $text,
            'height' => $height,
            'form' => $form,
        ]);
    }

    #[Route('/practitioners/{id}/checks/{check}', 'decision', methods: ['GET', 'POST'])]
    public function decide(string $id, string $check, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $record = $this->records->check($practitioner, $check);
        if (
            !isset($this->catalogue->postures()[$record->ladder])
            || !$this->catalogue->ladder($record->ladder)->has($record->rung)
        ) {
            $this->addFlash(
                'hint',
                'decision.no_rung',
            );

            return $this->redirectToRoute('practitioner', ['id' => $id]);
        }
        $ladder = $this->catalogue->ladder($record->ladder);
        $made = $this->records->decision($record);
        if (null !== $made) {
            if ($request->isMethod('POST')) {
                $this->addFlash('hint', 'decision.exists');
            }

            return $this->render('decision.html.twig', [
                'practitioner' => $practitioner,
                'check' => $record,
                'rung' => $ladder->rung($record->rung),
                'after' => $ladder->has($made->rungAfter) ? $ladder->rung($made->rungAfter) : null,
                'made' => $made,
            ]);
        }
        $history = $this->practised->history($record);
        $proposal = Decide::proposal($history);
        $form = $this->createForm(
            DecisionForm::class,
            ['step' => $proposal->step, 'why' => ''],
            [
                'proposed' => $proposal->step,
                'steps' => Decide::choices($history, $proposal),
            ],
        )->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $step = $form->get('step')->getData();
            if ($step !== $proposal->step) {
                $request->attributes->set(AuditRequests::ACTION, Action::Override);
            }
            $isNew = $this->records->addOnce(
                Decision::of(
                    $record,
                    $this->teacher(),
                    $this->clock->now(),
                    $history,
                    $proposal,
                    $step,
                    (string) $form->get('why')->getData(),
                ),
            );
            $this->addFlash(
                $isNew ? 'done' : 'hint',
                $isNew ? 'decision.saved' : 'decision.exists',
            );

            return $this->redirectToRoute('ladder', ['id' => $id, 'posture' => $ladder->id]);
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

    private function keep(
        Practitioner $practitioner,
        FormInterface $form,
        string $posture,
        Side $side,
        string $rung,
        CheckData $data,
    ): void {
        $pain = $data->pain->pain();
        $this->recordOnce(
            $form,
            new RungCheck(
                $this->entryOf($form),
                $practitioner,
                $this->teacher(),
                $posture,
                $side,
                $rung,
                $data->practisedOn ?? $this->today(),
                $this->clock->now(),
                $data->height,
                (bool) $data->holdReached,
                (bool) $data->evenBreath,
                $pain->level,
                $pain->place,
                $pain->kind,
                $data->compensations,
                $data->soreAtNight,
                trim((string) $data->note),
                AsksOfWords::isRead($form),
            ),
        );
    }
}
