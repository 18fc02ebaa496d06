<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\Teacher;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Session\FlashBagAwareSessionInterface;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;

/** No page is made that is not open to whoever asks for it, nor for an owner who has to prove twice and does not. */
final readonly class OnlyWhatIsOpen
{
    public const REFUSED = 'Not among the rights of who asks: ';

    public function __construct(
        private Security $security,
        private SecondFactors $factors,
        private UrlGeneratorInterface $urls,
    ) {
    }

    /** After the firewall has said who is there. */
    #[AsEventListener(priority: 6)]
    public function ask(RequestEvent $event): void
    {
        $route = $event->getRequest()->attributes->getString('_route');
        // What is at no route is not there at all.
        if (!$event->isMainRequest() || '' === $route || Right::Public === RouteRights::of($route)) {
            return;
        }
        if (!$this->security->isGranted(RouteVoter::OPEN, $route)) {
            throw new AccessDeniedException(self::REFUSED.$route);
        }
        $member = $this->security->getUser();
        if (RouteRights::isOfAccount($route) || !$member instanceof Teacher || !$this->isToProveTwice($member)) {
            return;
        }
        $session = $event->getRequest()->getSession();
        if ($session instanceof FlashBagAwareSessionInterface) {
            $session->getFlashBag()->set('hint', 'studio.prove_twice.first');
        }
        $event->setResponse(new RedirectResponse($this->urls->generate('second_factor')));
    }

    /** Whether it is an owner of a studio where owners need a second factor, and has none. */
    private function isToProveTwice(Teacher $member): bool
    {
        return Role::Owner === $member->role()
            && $member->studio()->ownersProveTwice()
            && !$this->factors->isAsked($member);
    }
}
