<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Form\ChangePasswordForm;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Routing\Attribute\Route;

final class AccountController extends TeacherController
{
    #[Route('/account/password', 'change_password', methods: ['GET', 'POST'])]
    public function changePassword(Request $request, UserPasswordHasherInterface $hasher, Security $security): Response
    {
        $form = $this->createForm(ChangePasswordForm::class)->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $teacher = $this->teacher();
            $teacher->changePassword($hasher->hashPassword($teacher, (string) $form->get('new')->getData()));
            $this->records->add($teacher);
            // Every other browser is signed out by the change; this one goes on.
            $security->login($teacher);
            $this->addFlash('done', 'The password is changed. Other browsers are signed out.');

            return $this->redirectToRoute('on_the_mat');
        }

        return $this->render('account/password.html.twig', ['form' => $form]);
    }
}
