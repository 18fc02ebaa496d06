<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\Exception\ConnectionException;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

/** While the database is away a page says that, and when to try again; it is no fault of the page. */
final class RecordsAway
{
    private const AGAIN_SECONDS = 30;

    #[AsEventListener]
    public function say(ExceptionEvent $event): void
    {
        for ($cause = $event->getThrowable(); null !== $cause; $cause = $cause->getPrevious()) {
            if ($cause instanceof ConnectionException) {
                $event->setThrowable(
                    new ServiceUnavailableHttpException(
                        self::AGAIN_SECONDS,
                        'The database is away.',
                        $event->getThrowable(),
                    ),
                );

                return;
            }
        }
    }
}
