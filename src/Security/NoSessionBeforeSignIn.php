<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;

/** Whoever is not signed in leaves no session behind: a visitor who keeps no cookie would leave one for each page. */
final readonly class NoSessionBeforeSignIn
{
    public function __construct(private TokenStorageInterface $tokens)
    {
    }

    #[AsEventListener(priority: -900)]
    public function clear(ResponseEvent $event): void
    {
        $request = $event->getRequest();
        if ($event->isMainRequest() && $request->hasSession(true) && $request->getSession()->isStarted() && null === $this->tokens->getToken()?->getUser()) {
            $request->getSession()->clear();
        }
    }
}
