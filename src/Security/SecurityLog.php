<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Entity\Teacher;
use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Http\Event\LoginFailureEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/**
 * Who came in, who was refused what, and what left: a log of its own, with accounts by their ids, routes by their
 * names, and nothing of anybody's health.
 */
final readonly class SecurityLog
{
    public function __construct(
        #[Autowire(service: 'monolog.logger.security_events')]
        private LoggerInterface $log,
        private TokenStorageInterface $tokens,
        private RequestStack $requests,
    ) {
    }

    #[AsEventListener]
    public function signedIn(LoginSuccessEvent $event): void
    {
        $this->write('signed in', $event->getUser());
    }

    #[AsEventListener]
    public function notSignedIn(LoginFailureEvent $event): void
    {
        $this->write(
            $event->getException() instanceof TooManyLoginAttemptsAuthenticationException
                ? 'too many wrong passwords'
                : 'wrong password',
        );
    }

    #[AsEventListener]
    public function signedOut(LogoutEvent $event): void
    {
        $this->write('signed out', $event->getToken()?->getUser());
    }

    /** What somebody may not have, or has no token for; and what is nobody's or another's. */
    #[AsEventListener]
    public function refused(ResponseEvent $event): void
    {
        $status = $event->getResponse()->getStatusCode();
        if (
            $event->isMainRequest()
            && (Response::HTTP_FORBIDDEN === $status
                || Response::HTTP_NOT_FOUND === $status && $event->getRequest()->attributes->has('_route'))
        ) {
            $this->write(Response::HTTP_FORBIDDEN === $status ? 'refused' : 'not found');
        }
    }

    public function write(string $what, mixed $who = null): void
    {
        $request = $this->requests->getMainRequest();
        $who ??= $this->tokens->getToken()?->getUser();
        $this->log->info($what, [
            'account' => $who instanceof Teacher ? (string) $who->id : null,
            'route' => $request?->attributes->getString('_route'),
            'address' => $request?->getClientIp(),
        ]);
    }
}
