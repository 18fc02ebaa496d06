<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Form\JoinForm;
use LucidAscent\App\Repository\StudioRecords;
use LucidAscent\App\Security\SecurityLog;
use LucidAscent\App\Studio\Members;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Makes an account of an invitation: once. */
final class JoinController extends AbstractController
{
    #[Route('/join/{secret}', 'join', requirements: ['secret' => '[0-9a-f]{48}'], methods: ['GET', 'POST'])]
    public function join(
        #[\SensitiveParameter]
        string $secret,
        Request $request,
        Members $members,
        StudioRecords $studio,
        Security $security,
        SecurityLog $log,
    ): Response {
        $invitation = $members->invitation($secret);
        // Somebody who has an account is a member already.
        if (null === $invitation || $studio->hasAccount($invitation->email)) {
            return $this->render('studio/join_over.html.twig', response: new Response(status: 404));
        }
        $form = $this->createForm(JoinForm::class, ['name' => $invitation->name], [
            'own' => [$invitation->name, $invitation->email],
        ])->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $data = $form->getData();
            $member = $members->join($invitation, trim($data['name']), (string) $data['password']);
            if (null === $member) {
                return $this->render('studio/join_over.html.twig', response: new Response(status: 404));
            }
            $security->login($member);
            $log->write('member joined');

            return $this->redirectToRoute('on_the_mat');
        }

        return $this->render('studio/join.html.twig', ['form' => $form, 'invitation' => $invitation]);
    }
}
