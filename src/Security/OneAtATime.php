<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\LockWaitTimeoutException;
use Doctrine\DBAL\ParameterType;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Teacher;
use Psr\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Uid\Uuid;

/**
 * Changes of one person, and of one teacher's own things, one after another, whichever window they come from: what a
 * change looks at is then what it changes. A turn is a row that the change writes with the rest: it ends with it,
 * whatever becomes of who had it, and of two that had it on two nodes of a database one begins anew.
 */
final readonly class OneAtATime
{
    private const LONGEST_SECONDS = 15;

    public function __construct(
        private Connection $connection,
        private TokenStorageInterface $tokens,
        private ClockInterface $clock,
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

    /**
     * Until what is being written is.
     *
     * @throws ServiceUnavailableHttpException when others have been at it for too long
     */
    public function hold(string $what): void
    {
        if (!$this->connection->isTransactionActive()) {
            throw new \LogicException('A turn is part of what it is for.');
        }
        try {
            $this->connection->executeStatement(
                'INSERT INTO turn (subject, number, at) VALUES (?, 1, ?)
                 ON DUPLICATE KEY UPDATE number = number + 1, at = VALUES(at)',
                [hash('sha256', $what, true), $this->clock->now()],
                [ParameterType::BINARY, MomentType::NAME],
            );
        } catch (LockWaitTimeoutException) {
            throw new ServiceUnavailableHttpException(
                self::LONGEST_SECONDS,
                'Others change the same at this moment.',
            );
        }
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
