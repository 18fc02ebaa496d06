<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Entity\Teacher;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\Routing\Exception\ExceptionInterface;
use Symfony\Component\Routing\RouterInterface;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;
use Symfony\Component\Uid\Uuid;
use Twig\Environment;

/**
 * A form that is sent after the sign-in has ended is not lost: it goes along to the sign-in page, and comes back filled
 * in. It is shown again, never recorded: its token was the ended session's.
 */
final readonly class FormThroughSignIn
{
    public const FIELD = 'typed';
    /** Who signed in last in this browser: whose form it is when nobody is signed in. No right comes of it. */
    private const LAST = 'ascent_last';
    private const SESSION_KEY = 'form through sign-in';

    public function __construct(
        private SealedForm $sealed,
        private RouterInterface $router,
        private Environment $twig,
    ) {
    }

    /** The sign-in page with the form sealed in it; null when there is nothing to carry. */
    public function carry(Request $request): ?Response
    {
        $last = $request->cookies->getString(self::LAST);
        $path = $request->getRequestUri();
        if (!$request->isMethod('POST') || 'form' !== $request->getContentTypeFormat() || !Uuid::isValid($last)) {
            return null;
        }
        // A button that only changes something has nothing typed; the page that it was on is the place to come back to.
        $typed = $this->hasPage($request)
            ? $this->sealed->seal(Uuid::fromString($last), $path, self::withoutTokens($request->request->all()))
            : null;
        $page = (string) parse_url((string) $request->headers->get('Referer'), PHP_URL_PATH);

        return new Response(
            $this->twig->render('sign_in.html.twig', [
                'error' => null,
                'email' => '',
                'ended' => true,
                'typed' => $typed,
                'back' => ToSignIn::back(null === $typed ? $page : $path),
            ]),
            Response::HTTP_UNAUTHORIZED,
        );
    }

    #[AsEventListener(priority: -10)]
    public function signedIn(LoginSuccessEvent $event): void
    {
        $teacher = $event->getUser();
        $request = $event->getRequest();
        if (!($teacher instanceof Teacher) || null === $event->getResponse()) {
            return;
        }
        $event
            ->getResponse()
            ->headers->setCookie(
                Cookie::create(
                    self::LAST,
                    (string) $teacher->id,
                    secure: $request->isSecure(),
                    httpOnly: true,
                    sameSite: Cookie::SAMESITE_STRICT,
                ),
            );
        $form = $this->sealed->open($teacher->id, $request->request->getString(self::FIELD));
        if (null !== $form) {
            $request->getSession()->set(self::SESSION_KEY, $form);
        }
    }

    /** Before the route is looked for: the page that was asked for is answered as if its form had been sent, once. */
    #[AsEventListener(priority: 100)]
    public function bringBack(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || !$request->isMethod('GET') || !$request->hasPreviousSession()) {
            return;
        }
        $form = $request->getSession()->get(self::SESSION_KEY);
        if (is_array($form) && $form['path'] === $request->getRequestUri()) {
            $request->getSession()->remove(self::SESSION_KEY);
            $request->setMethod('POST');
            $request->request->replace($form['fields']);
        }
    }

    /** Whether the address to which it was sent is a page as well. */
    private function hasPage(Request $request): bool
    {
        $context = $this->router->getContext();
        $method = $context->getMethod();
        try {
            $context->setMethod('GET');
            $this->router->match($request->getPathInfo());

            return true;
        } catch (ExceptionInterface) {
            return false;
        } finally {
            $context->setMethod($method);
        }
    }

    /**
     * @param array<mixed> $fields
     *
     * @return array<mixed>
     */
    private static function withoutTokens(array $fields): array
    {
        return array_map(
            static fn (mixed $value): mixed => is_array($value) ? self::withoutTokens($value) : $value,
            array_diff_key($fields, ['_token' => 0]),
        );
    }
}
