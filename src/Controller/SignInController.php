<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Authentication\AuthenticationUtils;

final class SignInController extends AbstractController
{
    #[Route('/sign-in', 'sign_in', methods: ['GET', 'POST'])]
    public function signIn(AuthenticationUtils $utils): Response
    {
        if (null !== $this->getUser()) {
            return $this->redirectToRoute('on_the_mat');
        }
        $error = $utils->getLastAuthenticationError();

        return $this->render('sign_in.html.twig', [
            'error' => null === $error ? null : ['key' => $error->getMessageKey(), 'data' => $error->getMessageData()],
            'email' => $utils->getLastUsername(),
        ], new Response(status: null === $error ? 200 : 401));
    }

    #[Route('/sign-out', 'sign_out', methods: ['POST'])]
    public function signOut(): never
    {
        throw new \LogicException('The firewall answers this address.');
    }
}
