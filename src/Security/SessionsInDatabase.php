<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\PdoSessionHandler;

/** Sessions beside the records, over the same connection. */
final class SessionsInDatabase
{
    public static function handler(Connection $connection): PdoSessionHandler
    {
        $pdo = $connection->getNativeConnection();

        // One request of a session after another, by a lock of the database's own: records have their own transactions.
        return new PdoSessionHandler($pdo instanceof \PDO ? $pdo : throw new \LogicException('Sessions need PDO.'), [
            'lock_mode' => PdoSessionHandler::LOCK_ADVISORY,
        ]);
    }
}
