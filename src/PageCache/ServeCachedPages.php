<?php

declare(strict_types=1);

namespace LucidAscent\App\PageCache;

use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\Records;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;
use Twig\Environment;

/** Answers with a page as it was made before, where nothing that it shows has changed since. */
final readonly class ServeCachedPages
{
    private const PLACE = 'kept_place';
    private const WAITED = 'kept_waited';

    public function __construct(
        private CachedParts $parts,
        private PlacesInPage $places,
        private Records $records,
        private TokenStorageInterface $user,
        private CsrfTokenManagerInterface $tokens,
        private Environment $twig,
    ) {
    }

    #[AsEventListener]
    public function begin(ControllerEvent $event): void
    {
        $request = $event->getRequest();
        $kept = $event->getAttributes(CachedPage::class)[0] ?? null;
        $teacher = $this->user->getToken()?->getUser();
        if (
            !$event->isMainRequest()
            || !($kept instanceof CachedPage)
            || !($teacher instanceof Teacher)
            || !$request->isMethod('GET')
            || [] !== array_diff_key($request->query->all(), array_flip($kept->asks))
        ) {
            return;
        }
        // Whose page it is is asked first: what belongs to another is answered as if it were not there.
        $name = $request->getRequestUri();
        $person =
            Whose::Persons === $kept->whose
                ? $this->records->practitioner($teacher, (string) $request->attributes->get('id'))
                : null;
        $place =
            Whose::Everybodys === $kept->whose
                ? $this->parts->placeOfEverybody($name, $teacher)
                : $this->parts->places($name, $teacher, null === $person ? [] : [$person->id])[(string) $person?->id];
        $page = $this->parts->get($place);
        if (null !== $page) {
            $event->setController(
                fn (): Response => new Response(
                    $this->places->fill($page['page'], $page['word'], $this->twig, $this->tokens),
                ),
            );
        } elseif (null !== $place) {
            $request->attributes->set(self::PLACE, $place);
            $request->attributes->set(self::WAITED, $this->places->waiting());
            $this->places->begin();
        }
    }

    #[AsEventListener]
    public function end(ResponseEvent $event): void
    {
        $word = $event->isMainRequest() ? $this->places->end() : null;
        if (null === $word) {
            return;
        }
        $request = $event->getRequest();
        $response = $event->getResponse();
        $page = (string) $response->getContent();
        // What a page says once by itself, it says when it is made: it is made again then.
        if (
            Response::HTTP_OK === $response->getStatusCode()
            && $request->attributes->get(self::WAITED) === $this->places->waiting()
        ) {
            $this->parts->keep(
                $request->attributes->get(self::PLACE),
                ['page' => $page, 'word' => $word],
                $request->attributes->get(CachedPage::UNTIL),
            );
        }
        $response->setContent($this->places->fill($page, $word, $this->twig, $this->tokens));
    }
}
