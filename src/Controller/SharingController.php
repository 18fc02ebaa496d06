<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Form\ShareForm;
use LucidAscent\App\Repository\StudioRecords;
use LucidAscent\App\Security\SignedInBrowser;
use LucidAscent\App\Security\ToSignIn;
use LucidAscent\App\Studio\SharedRecord;
use LucidAscent\App\Studio\WithdrawConsent;
use Symfony\Component\Form\FormError;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Who may open somebody's record beside the teacher, and whose person it is. */
final class SharingController extends TeacherController
{
    private const TOKEN = 'sharing';

    public function __construct(private readonly SharedRecord $shared, private readonly StudioRecords $studio)
    {
    }

    #[Route('/practitioners/{id}/sharing', 'sharing', methods: ['GET', 'POST'])]
    public function show(string $id, Request $request, SignedInBrowser $browser): Response
    {
        $practitioner = $this->practitioner($id);
        if (!$browser->isProved($request)) {
            return $this->redirectToRoute('password_again', [ToSignIn::BACK => $request->getPathInfo()]);
        }
        // Whoever it is shared with shares it with nobody.
        $isTheirs = $practitioner->teacher === $this->teacher();
        if ($request->isMethod('POST') && !$isTheirs) {
            throw $this->createAccessDeniedException();
        }
        if ('hand over' === $request->request->get('do')) {
            return $this->handOver($practitioner, $request);
        }
        $form = $this->createForm(ShareForm::class, ['agreedOn' => $this->today()], [
            'colleagues' => $this->shared->colleagues($practitioner),
            'name' => fn (Teacher $one): string => $this->say('sharing.colleague', [
                'name' => $one->name,
                'role' => $this->say('role.'.$one->role()->value, [], 'labels'),
            ]),
            'person' => $practitioner->name,
        ])->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $data = $form->getData();
            $fault = $this->shared->share(
                $practitioner,
                $data['member'],
                $data['agreedOn'],
                $data['last'],
                $this->teacher(),
            );
            if (null === $fault) {
                $this->addFlash('done', 'sharing.done');

                return $this->redirectToRoute('sharing', ['id' => $practitioner->id]);
            }
            $form->get($fault[0])->addError(new FormError($fault[1]));
        }

        $sharings = $this->studio->sharings($practitioner);
        $ends = [];
        foreach ($sharings as $one) {
            if (SharedRecord::mayEnd($one, $this->teacher())) {
                $ends[(string) $one->id] = $this->generateUrl('sharing_end', [
                    'id' => $practitioner->id,
                    'sharing' => $one->id,
                ]);
            }
        }

        return $this->render('studio/sharing.html.twig', [
            'practitioner' => $practitioner,
            'form' => $form,
            'isTheirs' => $isTheirs,
            'sharings' => $sharings,
            'ends' => $ends,
            'colleagues' => $this->shared->colleagues($practitioner),
            'teachers' => $this->shared->teachers($practitioner),
            'token' => self::TOKEN,
        ]);
    }

    #[Route('/practitioners/{id}/sharing/{sharing}/end', 'sharing_end', methods: ['POST'])]
    public function end(string $id, string $sharing, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        $this->addFlash(
            ...$this->shared->end($practitioner, $sharing, $this->teacher())
                ? ['done', 'sharing.ended']
                : ['hint', 'sharing.over'],
        );

        return $practitioner->teacher === $this->teacher()
            ? $this->redirectToRoute('sharing', ['id' => $practitioner->id])
            : $this->redirectToRoute('on_the_mat');
    }

    /** The person has said so, and the teacher writes it down. */
    #[Route('/practitioners/{id}/consent', 'consent', methods: ['POST'])]
    public function withdraw(string $id, Request $request, WithdrawConsent $consent): Response
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        if ($practitioner->teacher !== $this->teacher()) {
            throw $this->createAccessDeniedException();
        }
        $consent->withdraw($practitioner, $this->teacher());
        $this->addFlash('done', 'consent.withdrawn');

        return $this->redirectToRoute('personal_data');
    }

    private function handOver(Practitioner $practitioner, Request $request): Response
    {
        $this->checkToken(self::TOKEN, $request);
        $to = $this->studio->member($this->teacher()->studio(), $request->request->getString('to'));
        if (null === $to || !$this->shared->handOver($practitioner, $to, $this->teacher())) {
            $this->addFlash('hint', 'choose.listed');

            return $this->redirectToRoute('sharing', ['id' => $practitioner->id]);
        }
        $this->addFlash('done', $this->say('studio.hand_over.done', ['count' => 1, 'name' => $to->name]));

        return $this->redirectToRoute('on_the_mat');
    }
}
