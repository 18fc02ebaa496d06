<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Doctrine\DBAL\Connection;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\HttpKernel\Event\FinishRequestEvent;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Uid\Uuid;

/**
 * Changes of one person, and of one teacher's own things, one after another, whichever window they come from: what a
 * change looks at is then what it changes. A lock of the database's own, so that it holds for several servers, too.
 */
final class OneAtATime
{
    private const LONGEST_SECONDS = 15;

    /** @var list<string> */
    private array $held = [];

    public function __construct(
        private readonly Connection $connection,
        private readonly TokenStorageInterface $tokens,
    ) {
    }

    #[AsEventListener]
    public function begin(ControllerEvent $event): void
    {
        $what =
            $event->isMainRequest() && !$event->getRequest()->isMethodSafe()
                ? $this->changed($event->getRequest())
                : null;
        if (null !== $what) {
            $this->hold($what);
        }
    }

    #[AsEventListener]
    public function end(FinishRequestEvent $event): void
    {
        if ($event->isMainRequest()) {
            foreach ($this->held as $lock) {
                $this->connection->executeQuery('SELECT RELEASE_LOCK(?)', [$lock]);
            }
            $this->held = [];
        }
    }

    /** @throws ServiceUnavailableHttpException when others have been at it for too long */
    public function hold(string $what): void
    {
        // A lock's name has room for 64 characters, and is the server's, not the database's.
        $lock = substr(hash('sha256', $this->connection->getDatabase().' '.$what), 0, 60);
        if (1 !== (int) $this->connection->fetchOne('SELECT GET_LOCK(?, ?)', [$lock, self::LONGEST_SECONDS])) {
            throw new ServiceUnavailableHttpException(self::LONGEST_SECONDS, 'Others change the same at this moment.');
        }
        $this->held[] = $lock;
    }

    private function changed(Request $request): ?string
    {
        $id = $request->attributes->get('id');
        $user = $this->tokens->getToken()?->getUser();

        return match (true) {
            is_string($id) && Uuid::isValid($id) => 'person '.strtolower($id),
            $user instanceof Teacher => "teacher $user->id",
            default => null,
        };
    }
}
