<?php

declare(strict_types=1);

namespace LucidAscent\App\OwnEntry;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\PageCache\CachedParts;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;

/** Every page of a teacher knows that teacher's own entries; nobody else's page does. */
final readonly class OwnBesideShipped
{
    public function __construct(
        private Catalogue $catalogue,
        private OwnCatalogue $own,
        private TokenStorageInterface $tokens,
        private CachedParts $kept,
    ) {
    }

    #[AsEventListener]
    public function lay(ControllerEvent $event): void
    {
        if ($event->isMainRequest()) {
            $user = $this->tokens->getToken()?->getUser();
            $this->catalogue->lay(
                $user instanceof Teacher
                    ? fn (): array => $this->kept->ofTeacher(
                        'own entries',
                        $user,
                        fn (): array => $this->own->of($user),
                    )
                    : [],
            );
        }
    }
}
