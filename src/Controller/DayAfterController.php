<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Form\DayAfterForm;
use LucidAscent\App\Person\DayAfter;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\Core\Body\Side;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** How somebody is a day after practice. */
final class DayAfterController extends TeacherController
{
    #[Route('/practitioners/{id}/after', 'day_after', methods: ['GET', 'POST'])]
    public function ask(string $id, Request $request, DayAfter $dayAfter, RecordPain $record): Response
    {
        $practitioner = $this->practitioner($id);
        $asked = $dayAfter->of($practitioner);
        $form = $this->createForm(DayAfterForm::class, options: ['entry' => (string) Uuid::v7()])
            ->handleRequest($request);
        if ($form->isSubmitted()) {
            $side = $request->request->all('after')['side'] ?? '';
            // What hurts is heard whatever else is wrong, and however late the question is.
            $record->of(
                $practitioner,
                $this->teacher(),
                RecordPain::sent($request, 'after'),
                is_string($side) ? Side::tryFrom($side) : null,
                'after '.$this->entryOf($form),
            );
            if ($form->isValid()) {
                $isPain = $form->get('pain')->getData()->pain()->isFelt();
                if (!$isPain && null !== $asked) {
                    $dayAfter->nothing($practitioner, $asked['on']);
                }
                $this->addFlash('done', $isPain ? 'after.done.pain' : 'after.done');

                return $this->redirectToRoute($isPain ? 'practitioner' : 'on_the_mat', $isPain ? ['id' => $id] : []);
            }
        }

        return $this->render('practitioner/day_after.html.twig', [
            'practitioner' => $practitioner,
            'asked' => $asked,
            'form' => $form,
        ]);
    }
}
