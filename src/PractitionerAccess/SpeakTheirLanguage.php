<?php

declare(strict_types=1);

namespace LucidAscent\App\PractitionerAccess;

use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Text\Languages;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\Translation\LocaleSwitcher;

/** Pages are in the language, and with the numbers, of who reads them: the teacher, or whose own page it is. */
final readonly class SpeakTheirLanguage
{
    private const OWN = '/own';

    public function __construct(
        private Security $security,
        private AccessDoor $door,
        private Languages $languages,
        private LocaleSwitcher $locale,
    ) {
    }

    /** Once it is known who asks. */
    #[AsEventListener(priority: 5)]
    public function speak(RequestEvent $event): void
    {
        if (!$event->isMainRequest()) {
            return;
        }
        $request = $event->getRequest();
        $user = $this->security->getUser();
        $own = str_starts_with($request->getPathInfo().'/', self::OWN.'/') ? $this->door->opened($request) : null;
        $locale = $this->languages->known($own?->locale() ?? ($user instanceof Teacher ? $user->locale() : null));
        if ($locale !== $this->locale->getLocale()) {
            $request->setLocale($locale);
            $this->locale->setLocale($locale);
        }
    }
}
