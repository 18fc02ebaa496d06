<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Form\Data\ElsewhereData;
use LucidAscent\App\Form\ElsewhereForm;
use LucidAscent\App\Person\RecordElsewhere;
use Symfony\Component\Form\FormError;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Load from elsewhere: what counts besides what is planned here. */
final class ElsewhereController extends TeacherController
{
    /** So many of the latest are shown. */
    private const SHOWN = 30;

    #[Route('/practitioners/{id}/elsewhere', 'elsewhere', methods: ['GET', 'POST'])]
    public function add(string $id, Request $request, RecordElsewhere $record): Response
    {
        $practitioner = $this->practitioner($id);
        $data = new ElsewhereData();
        $data->doneOn = $this->today();
        $form = $this->createForm(ElsewhereForm::class, $data, [
            'today' => $this->today(),
            'entry' => (string) Uuid::v7(),
        ])->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            if ($record->isTooMuch($practitioner, $data->elsewhere(), $this->entryOf($form))) {
                $form->get('minutes')->addError(new FormError('elsewhere.minutes.day'));
            } else {
                $isNew = null !== $record->of($practitioner, $data->elsewhere(), $this->entryOf($form));
                $this->sayRecorded($isNew, 'elsewhere.done');

                return $this->redirectToRoute('elsewhere', ['id' => $id]);
            }
        }

        return $this->render('practitioner/elsewhere.html.twig', [
            'practitioner' => $practitioner,
            'form' => $form,
            'loads' => array_slice($this->records->otherLoads($practitioner), 0, self::SHOWN),
        ]);
    }
}
