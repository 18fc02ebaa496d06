<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\DBAL\ParameterType;
use LucidAscent\App\Database\SessionWritten;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\AbstractSessionHandler;

/**
 * Sessions beside the records, over the same connection. None is locked while a page is made: one that another request
 * has written meanwhile is not written over, and the request begins anew.
 */
final class StoredSession extends AbstractSessionHandler
{
    /** @var array<string, string> as they were read, by id */
    private array $read = [];
    private bool $isOld = false;

    public function __construct(private readonly Connection $connection)
    {
    }

    protected function doRead(#[\SensitiveParameter] string $sessionId): string
    {
        $data = $this->connection->fetchOne(
            'SELECT sess_data FROM sessions WHERE sess_id = ? AND sess_lifetime >= ?',
            [$sessionId, time()],
        );
        unset($this->read[$sessionId]);

        return is_string($data) ? $this->read[$sessionId] = $data : '';
    }

    /** @throws SessionWritten when it is not as it was read */
    protected function doWrite(#[\SensitiveParameter] string $sessionId, string $data): bool
    {
        $now = time();
        $until = $now + (int) ini_get('session.gc_maxlifetime');
        try {
            $written = isset($this->read[$sessionId])
                ? $this->connection->executeStatement(
                    'UPDATE sessions SET sess_data = ?, sess_time = ?, sess_lifetime = ?
                     WHERE sess_id = ? AND sess_data = ?',
                    [$data, $now, $until, $sessionId, $this->read[$sessionId]],
                    [ParameterType::LARGE_OBJECT, 4 => ParameterType::LARGE_OBJECT],
                )
                : $this->connection->executeStatement(
                    'INSERT INTO sessions (sess_id, sess_data, sess_time, sess_lifetime) VALUES (?, ?, ?, ?)',
                    [$sessionId, $data, $now, $until],
                    [1 => ParameterType::LARGE_OBJECT],
                );
        } catch (UniqueConstraintViolationException) {
            $written = 0;
        }
        if (1 !== (int) $written) {
            throw new SessionWritten();
        }
        $this->read[$sessionId] = $data;

        return true;
    }

    protected function doDestroy(#[\SensitiveParameter] string $sessionId): bool
    {
        $this->connection->executeStatement('DELETE FROM sessions WHERE sess_id = ?', [$sessionId]);
        unset($this->read[$sessionId]);

        return true;
    }

    public function close(): bool
    {
        if ($this->isOld) {
            $this->isOld = false;
            $this->connection->executeStatement('DELETE FROM sessions WHERE sess_lifetime < ?', [time()]);
        }

        return true;
    }

    /** Once the session of this request is written. */
    public function gc(int $max_lifetime): int
    {
        $this->isOld = true;

        return 0;
    }
}
