<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Security\FormThroughSignIn;
use LucidAscent\App\Security\ToSignIn;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Authentication\AuthenticationUtils;

final class SignInController extends AbstractController
{
    #[Route('/sign-in', 'sign_in', methods: ['GET', 'POST'])]
    public function signIn(RequestStack $requests, AuthenticationUtils $utils): Response
    {
        // After a try that failed this is asked by way of the request that tried.
        $request = $requests->getMainRequest() ?? new Request();
        if (null !== $this->getUser()) {
            return $this->redirectToRoute('on_the_mat');
        }
        $error = $utils->getLastAuthenticationError();

        return $this->render(
            'sign_in.html.twig',
            [
                'error' => null === $error
                        ? null
                        : ['key' => $error->getMessageKey(), 'data' => $error->getMessageData()],
                'email' => $utils->getLastUsername(),
                'ended' => false,
                'typed' => $request->request->getString(FormThroughSignIn::FIELD) ?: null,
                'back' => ToSignIn::back(
                    $request->query->getString(ToSignIn::BACK) ?: $request->request->getString('_target_path'),
                ),
            ],
            new Response(status: null === $error ? 200 : 401),
        );
    }

    #[Route('/sign-out', 'sign_out', methods: ['POST'])]
    public function signOut(): never
    {
        throw new \LogicException('The firewall answers this address.');
    }
}
