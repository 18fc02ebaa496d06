<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\WaysCompared;
use LucidAscent\App\Entity\WayTried;
use LucidAscent\App\Form\TriedForm;
use LucidAscent\App\Form\WaysForm;
use LucidAscent\App\Person\ComparedWays;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Practice\TwoWays;
use Symfony\Component\Form\FormError;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Two set-ups of a rung, tried in turn over sessions, until the number tells them apart or does not. */
final class WaysController extends TeacherController
{
    private const TOKEN = 'ways';

    public function __construct(private readonly Catalogue $catalogue, private readonly ComparedWays $ways)
    {
    }

    #[Route('/practitioners/{id}/ways', 'ways', methods: ['GET', 'POST'])]
    public function all(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $form = $this->createForm(WaysForm::class, null, [
            'rungs' => $this->rungs(),
            'entry' => (string) Uuid::v7(),
        ])->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            /** @var array{rung: string, side: Side, first: string, second: string,
             *     measured: string} $said
             */
            $said = $form->getData();
            [$posture, $rung] = explode('/', $said['rung']);
            if (mb_strtolower(trim($said['first'])) === mb_strtolower(trim($said['second']))) {
                $form->get('second')->addError(new FormError($this->say('ways.second.same')));
            } else {
                $compared = new WaysCompared(
                    $this->entryOf($form),
                    $practitioner,
                    $this->teacher(),
                    $this->clock->now(),
                    $posture,
                    $rung,
                    $said['side'],
                    trim($said['first']),
                    trim($said['second']),
                    trim($said['measured']),
                );
                $isNew =
                    !$this->records->knows(WaysCompared::class, $compared->id)
                    && $this->records->addOnce($compared);
                $this->sayRecorded($isNew, 'ways.done');

                return $this->redirectToRoute('ways', ['id' => $id]);
            }
        }

        return $this->render('practitioner/ways.html.twig', [
            'practitioner' => $practitioner,
            'form' => $form,
            'names' => $this->catalogue->names(Kind::Posture),
            'all' => $this->ways->all($practitioner),
        ]);
    }

    #[Route('/practitioners/{id}/ways/{compared}', 'way_tried', methods: ['GET', 'POST'])]
    public function tried(string $id, string $compared, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $one = $this->one($practitioner, $compared);
        if (null === $one['next']) {
            return $this->redirectToRoute('ways', ['id' => $id]);
        }
        $last = $one['tried'][count($one['tried']) - 1]['entry']->triedOn ?? null;
        $form = $this->createForm(
            TriedForm::class,
            ['triedOn' => $this->today()],
            [
                'measured' => $one['of']->measured,
                'first' => $last?->modify('+1 day') ?? Day::midnight($practitioner->teacher->local($one['of']->at)),
                'today' => $this->today(),
                'turn' => (string) count($one['tried']),
                'entry' => (string) Uuid::v7(),
            ],
        )->handleRequest($request);
        if ($form->isSubmitted() && $this->records->knows(WayTried::class, $this->entryOf($form))) {
            $this->sayRecorded(false, 'ways.tried.done');

            return $this->redirectToRoute('ways', ['id' => $id]);
        }
        if ($form->isSubmitted() && $form->get('turn')->getData() !== (string) count($one['tried'])) {
            $form->addError(new FormError($this->say('ways.turn.passed')));
        }
        if ($form->isSubmitted() && $form->isValid()) {
            $isNew = $this->records->addOnce(
                new WayTried(
                    $this->entryOf($form),
                    $practitioner,
                    $this->teacher(),
                    $this->clock->now(),
                    $one['of']->id,
                    $one['next'],
                    (float) $form->get('number')->getData(),
                    $form->get('triedOn')->getData(),
                ),
            );
            $this->sayRecorded($isNew, 'ways.tried.done');

            return $this->redirectToRoute('ways', ['id' => $id]);
        }

        return $this->render('practitioner/way_tried.html.twig', [
            'practitioner' => $practitioner,
            'form' => $form,
            'names' => $this->catalogue->names(Kind::Posture),
            'one' => $one,
            'token' => self::TOKEN,
        ]);
    }

    #[Route('/practitioners/{id}/ways/{compared}/stop', 'ways_stop', methods: ['POST'])]
    public function stop(string $id, string $compared, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        $one = $this->one($practitioner, $compared);
        if (null !== $one['next']) {
            // Stopped twice is stopped once.
            $this->records->addOnce(
                new WayTried(
                    Uuid::v5($one['of']->id, 'stop'),
                    $practitioner,
                    $this->teacher(),
                    $this->clock->now(),
                    $one['of']->id,
                    $one['next'],
                    null,
                    $this->today(),
                ),
            );
        }

        return $this->redirectToRoute('ways', ['id' => $id]);
    }

    /**
     * @return array{of: WaysCompared, tried: list<array{entry: WayTried, felt: list<string>}>,
     *     ways: TwoWays, next: int|null}
     */
    private function one(Practitioner $practitioner, string $compared): array
    {
        foreach ($this->ways->all($practitioner) as $one) {
            if ((string) $one['of']->id === $compared) {
                return $one;
            }
        }
        throw $this->createNotFoundException();
    }

    /** @return array<string, array<string, string>> posture/rung by name, by the posture's name */
    private function rungs(): array
    {
        $names = $this->catalogue->names(Kind::Posture);
        $rungs = [];
        foreach ($this->catalogue->practiceRungs() as $posture => $ladder) {
            foreach ($ladder as $rung) {
                $rungs[$names[$posture]][$rung->rung->name] = "$posture/{$rung->rung->id}";
            }
        }
        ksort($rungs);

        return $rungs;
    }
}
