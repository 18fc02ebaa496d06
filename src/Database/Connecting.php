<?php

declare(strict_types=1);

namespace LucidAscent\App\Database;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsMiddleware;
use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * How a request comes to the database. Where it is one node of several, it waits until that node has all that any of
 * them had written by then: whoever has just sent something sees it on the next page, whichever node that asks. Where
 * the way there is not this machine's alone, it is sealed, and the node has to prove who it is.
 */
#[AsMiddleware]
final readonly class Connecting implements Middleware
{
    public function __construct(
        #[Autowire('%env(bool:default::DATABASE_NODES)%')]
        private ?bool $isOneOfSeveral,
        #[Autowire('%env(string:default::DATABASE_CA)%')]
        private string $authority,
    ) {
    }

    public function wrap(Driver $driver): Driver
    {
        return new class($driver, true === $this->isOneOfSeveral, $this->authority) extends AbstractDriverMiddleware {
            private const CONNECT_SECONDS = 3;

            public function __construct(
                Driver $driver,
                private readonly bool $isOneOfSeveral,
                private readonly string $authority,
            ) {
                parent::__construct($driver);
            }

            public function connect(#[\SensitiveParameter] array $params): Connection
            {
                if ($this->isOneOfSeveral) {
                    $params['driverOptions'][\PDO::ATTR_TIMEOUT] = self::CONNECT_SECONDS;
                }
                if ('' !== $this->authority) {
                    $params['driverOptions'][\PDO::MYSQL_ATTR_SSL_CA] = $this->authority;
                }
                $connection = parent::connect($params);
                if ($this->isOneOfSeveral) {
                    // Once for all that this request reads.
                    $connection->exec('SET SESSION wsrep_sync_wait = 1');
                    $connection->query('SELECT 1')->free();
                    $connection->exec('SET SESSION wsrep_sync_wait = 0');
                }

                return $connection;
            }
        };
    }
}
