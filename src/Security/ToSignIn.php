<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/** Whoever asks for a page before signing in comes back to it afterwards; its address says where, no session does. */
final readonly class ToSignIn implements AuthenticationEntryPointInterface
{
    public const BACK = 'back';

    public function __construct(private UrlGeneratorInterface $urls, private FormThroughSignIn $form)
    {
    }

    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        $path = $request->getRequestUri();

        return $this->form->carry($request) ??
            new RedirectResponse($this->urls->generate('sign_in', '/' === $path ? [] : [self::BACK => $path]));
    }

    /** Wherever a form says to go after signing in: only to a page of this application. */
    #[AsEventListener]
    public function comeBack(LoginSuccessEvent $event): void
    {
        $response = $event->getResponse();
        if ($response instanceof RedirectResponse) {
            $here = $event->getRequest()->getSchemeAndHttpHost();
            $target = $response->getTargetUrl();
            $path = str_starts_with($target, "$here/") ? substr($target, strlen($here)) : $target;
            $event->setResponse(new RedirectResponse(self::back($path) ?? $this->urls->generate('on_the_mat')));
        }
    }

    /** A page of this application, or none: never an address elsewhere. */
    public static function back(string $path): ?string
    {
        return 1 === preg_match('#^/(?![/\\\\])[\x21-\x7e]*$#', $path)
            && !str_contains($path, '\\')
            && strlen($path) < 500
            ? $path
            : null;
    }
}
