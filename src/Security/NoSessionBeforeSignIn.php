<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;

/** Whoever is not signed in leaves no session behind: a visitor who keeps no cookie would leave one for each page. */
final readonly class NoSessionBeforeSignIn
{
    /** Where the firewall keeps who is signed in; an address that is none is answered before it has looked. */
    public const SIGNED_IN = '_security_main';

    public function __construct(private TokenStorageInterface $tokens)
    {
    }

    #[AsEventListener(priority: -900)]
    public function clear(ResponseEvent $event): void
    {
        $request = $event->getRequest();
        if (
            $event->isMainRequest()
            && $request->hasSession(true)
            && $request->getSession()->isStarted()
            && null === $this->tokens->getToken()?->getUser()
            && !$request->getSession()->has(self::SIGNED_IN)
        ) {
            $request->getSession()->clear();
        }
    }
}
