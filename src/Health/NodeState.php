<?php

declare(strict_types=1);

namespace LucidAscent\App\Health;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Whether this machine can answer for people, and what it knows of the database that it asks. */
final readonly class NodeState
{
    /** A database that goes away is given so long: another node of it takes over. */
    public const PATIENCE_SECONDS = 8.0;
    /** What comes first and what later is told by the clocks of the machines. */
    public const CLOCKS_APART_SECONDS = 1.0;
    /** Nobody who asks whether a machine is well waits longer. */
    private const ANSWER_SECONDS = '1';

    public function __construct(
        private Connection $connection,
        private ClockInterface $clock,
        #[Autowire('%kernel.project_dir%/migrations')]
        private string $migrations,
    ) {
    }

    /** @return string|null what keeps it from it; null when nothing does */
    public function fault(): ?string
    {
        ini_set('mysqlnd.net_read_timeout', self::ANSWER_SECONDS);
        try {
            $now = (string) $this->connection->fetchOne('SELECT UTC_TIMESTAMP(6)');
            $status = $this->status();
            $isRead = '0' !== (string) $this->connection->fetchOne('SELECT @@read_only');
            $newest = $this->connection->fetchOne(
                'SELECT COUNT(*) FROM doctrine_migration_versions WHERE version = ?',
                [$this->newestMigration()],
            );
        } catch (Exception) {
            $away = Counted::sinceDatabase();

            return null !== $away && $away < self::PATIENCE_SECONDS ? null : 'The database does not answer.';
        }
        $apart = (new \DateTimeImmutable($now, new \DateTimeZone('UTC')))->format('U.u')
            - $this->clock->now()->format('U.u');
        // One that is alone has no others, and is ready all the same.
        $hasOthers = 0 < (int) ($status['wsrep_cluster_size'] ?? 0);
        $fault = match (true) {
            $isRead => 'The database takes no writes.',
            $hasOthers && 'ON' !== $status['wsrep_ready'] => 'The database has lost the others.',
            0 === (int) $newest => 'The tables are of an earlier version.',
            abs($apart) > self::CLOCKS_APART_SECONDS => sprintf(
                'The clocks of this machine and of the database are %.1f s apart.',
                abs($apart),
            ),
            default => null,
        };
        if (null === $fault) {
            Counted::sawDatabase();
        }

        return $fault;
    }

    /**
     * What the database says of itself and of its other nodes.
     *
     * @return array<string, string>
     *
     * @throws Exception when it says nothing
     */
    public function status(): array
    {
        return array_map(
            strval(...),
            $this->connection->fetchAllKeyValue(
                "SHOW GLOBAL STATUS WHERE Variable_name IN
                    ('wsrep_ready', 'wsrep_cluster_size', 'wsrep_local_state', 'wsrep_flow_control_paused',
                     'wsrep_local_cert_failures', 'wsrep_local_bf_aborts', 'wsrep_local_recv_queue',
                     'Threads_connected')",
            ),
        );
    }

    /** The class of the newest file. */
    private function newestMigration(): string
    {
        $files = glob($this->migrations.'/Version*.php') ?: [];

        return 'LucidAscent\Migrations\\'.basename((string) end($files), '.php');
    }
}
