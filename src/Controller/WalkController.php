<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Form\AsksOfWords;
use LucidAscent\App\Form\Data\WalkData;
use LucidAscent\App\Form\WalkForm;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RecordFelt;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\PoseReading;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Up the ladder of a pose by eye, from the ground, this side and then that, until the first rung that is not clean. */
final class WalkController extends TeacherController
{
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly ReadPerson $person,
        private readonly RecordPain $pain,
        private readonly RecordFelt $felt,
    ) {
    }

    #[Route('/practitioners/{id}/walk/{posture}', 'walk', methods: ['GET', 'POST'])]
    public function walk(string $id, string $posture, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        isset($this->catalogue->postures()[$posture]) || throw $this->createNotFoundException();
        $poses = $this->person->now($practitioner);
        if (null === $poses) {
            return $this->bodyFirst($practitioner);
        }
        $ladder = $this->catalogue->ladder($posture);
        $asked = $this->asked($request, [
            Side::Left->value => $poses->of($posture, Side::Left),
            Side::Right->value => $poses->of($posture, Side::Right),
        ]);
        if (null === $asked) {
            return $this->render('walk_end.html.twig', [
                'practitioner' => $practitioner,
                'ladder' => $ladder,
                'sides' => ['left' => $poses->of($posture, Side::Left), 'right' => $poses->of($posture, Side::Right)],
            ]);
        }
        [$rung, $side] = $asked;
        $reading = $poses->of($posture, $side)->rung($rung) ?? throw $this->createNotFoundException();
        $closing = $poses->of($posture, $side)->onLadder()->closing($rung);
        $form = $this->createForm(WalkForm::class, new WalkData(), [
            'entry' => (string) Uuid::v7(),
            // Sent twice, or from an old tab, it is about the rung that was looked at, not about the one that comes
            // next by then.
            'action' => $this->generateUrl('walk', [
                'id' => $id,
                'posture' => $posture,
                'rung' => $rung,
                'side' => $side->value,
            ]),
            'joint' => $reading->rung->prop->carries(),
            'compensations' => array_flip($ladder->rung($rung)->compensations),
            'felt' => ['posture' => $posture, 'rung' => $rung],
        ])->handleRequest($request);
        if ($form->isSubmitted()) {
            $typed = RecordPain::sent($request, 'walk_form');
            if ($form->isValid()) {
                $this->keep($practitioner, $form, $posture, $reading->rung, $side);

                return $this->redirectToRoute('walk', [
                    'id' => $id,
                    'posture' => $posture,
                    'after' => $rung,
                    'side' => $side->value,
                ]);
            }
            $source = 'walk '.$this->entryOf($form);
            $this->pain->of($practitioner, $this->teacher(), $typed, $side, $source, $posture, $rung);
            $this->felt->hear(
                $practitioner,
                $this->teacher(),
                RecordFelt::sent($request, 'walk_form'),
                $side,
                $source,
                $posture,
                $rung,
            );
        }

        return $this->render('walk.html.twig', [
            'practitioner' => $practitioner,
            'ladder' => $ladder,
            'rung' => $ladder->rung($rung),
            'place' => $ladder->position($rung) + 1,
            'side' => $side,
            'reading' => $reading,
            'body' => $poses->person->proportions,
            'closing' => $closing,
            'form' => $form,
        ]);
    }

    /**
     * The rung and side to look at: what was asked for by hand, or the next after the one that was seen. Nothing
     * that is held or shut is invited, nor anything above what is not clean.
     *
     * @param array<string, PoseReading> $sides
     *
     * @return array{string, Side}|null null when the walk is at its end
     */
    private function asked(Request $request, array $sides): ?array
    {
        $by = [$request->query->getString('rung'), Side::tryFrom($request->query->getString('side'))];
        if ('' !== $by[0] && null !== $by[1]) {
            return [$by[0], $by[1]];
        }
        $after = $request->query->getString('after');
        $isPast = '' === $after;
        foreach ($sides['left']->rungs() as $i => $left) {
            foreach (Side::cases() as $side) {
                $reading = $sides[$side->value]->rungs()[$i];
                if ($isPast && May::try($sides[$side->value], $reading->rung->id)->isYes()) {
                    return [$reading->rung->id, $side];
                }
                $isPast = $isPast || ($reading->rung->id === $after && $side === $by[1]);
            }
        }

        return null;
    }

    private function keep(
        Practitioner $practitioner,
        FormInterface $form,
        string $posture,
        RungDefinition $rung,
        Side $side,
    ): void {
        $data = $form->getData();
        assert($data instanceof WalkData);
        $entry = $this->entryOf($form);
        $joint = $rung->prop->carries();
        $pain = $data->pain->pain();
        $felt = $data->felt->felt();
        $this->sayFelt(
            $this->felt->of($practitioner, $this->teacher(), $felt, $side, "walk $entry", $posture, $rung->id),
        );
        if ('not-tried' === $data->seen) {
            $this->pain->of($practitioner, $this->teacher(), $pain, $side, "walk $entry", $posture, $rung->id);

            return;
        }
        $isNew = $this->recordOnce(
            $form,
            new SeenRung(
                $entry,
                $practitioner,
                $this->teacher(),
                $this->clock->now(),
                $posture,
                $rung->id,
                $side,
                'clean' === $data->seen && !$pain->spoils(),
                null === $data->height || null === $joint ? [] : [$joint->value => $data->height],
                $data->hangs,
                trim(implode('; ', $data->compensations).' '.$data->why),
                $pain->level,
                $pain->place,
                $pain->kind,
                AsksOfWords::isRead($form),
            ),
        );
        if (!$isNew) {
            $this->pain->of($practitioner, $this->teacher(), $pain, $side, "walk $entry", $posture, $rung->id);
            $this->sayRecorded(false, '');
        }
    }
}
