<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Form\ChangePasswordForm;
use LucidAscent\App\Form\TimeZoneForm;
use LucidAscent\App\Security\SignInThrottle;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Routing\Attribute\Route;

final class AccountController extends TeacherController
{
    #[Route('/account', 'account', methods: ['GET', 'POST'])]
    public function show(
        Request $request,
        UserPasswordHasherInterface $hasher,
        Security $security,
        SignInThrottle $throttle,
    ): Response {
        $teacher = $this->teacher();
        $zone = $this->createForm(TimeZoneForm::class, ['zone' => $teacher->timeZone()])->handleRequest($request);
        if ($zone->isSubmitted() && $zone->isValid()) {
            $teacher->moveTo($zone->getData()['zone']);
            $this->records->add($teacher);
            $this->addFlash('done', 'The time zone is kept. Days are counted by it from now on.');

            return $this->redirectToRoute('on_the_mat');
        }
        $password = $this->createForm(ChangePasswordForm::class);
        if ($request->request->has($password->getName()) && !$throttle->allows($teacher->email)) {
            $this->addFlash(
                'hint',
                'Too many wrong passwords: nothing was changed. Try again in a quarter of an hour.',
            );

            return $this->redirectToRoute('account');
        }
        $password->handleRequest($request);
        if ($password->isSubmitted()) {
            $throttle->keep($teacher->email, $password->get('current')->isValid());
        }
        if ($password->isSubmitted() && $password->isValid()) {
            $teacher->changePassword($hasher->hashPassword($teacher, (string) $password->get('new')->getData()));
            $this->records->add($teacher);
            // Every other browser is signed out by the change; this one goes on.
            $security->login($teacher);
            $this->addFlash('done', 'The password is changed. Other browsers are signed out.');

            return $this->redirectToRoute('on_the_mat');
        }

        return $this->render('account/show.html.twig', ['zone' => $zone, 'password' => $password]);
    }
}
