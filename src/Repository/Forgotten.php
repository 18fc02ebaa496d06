<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\Connection;
use LucidAscent\App\Database\MomentType;
use Psr\Clock\ClockInterface;

/** What is kept for a while and about nobody: whose turn it was, who is not signed in any more, locks of nobody. */
final readonly class Forgotten
{
    /** Fewer than hold up anybody who writes. */
    private const AT_ONCE = 1000;
    private const TURN = '1 day';

    public function __construct(private Connection $connection, private ClockInterface $clock)
    {
    }

    /** @return int how many rows went */
    public function forget(): int
    {
        $now = $this->clock->now();

        return $this->few('turn', 'at < ?', $now->modify('-'.self::TURN), MomentType::NAME) +
            $this->few('sessions', 'sess_lifetime < ?', $now->getTimestamp(), 'integer') +
            $this->few('lock_keys', 'key_expiration < ?', $now->getTimestamp(), 'integer');
    }

    private function few(string $table, string $which, mixed $value, string $type): int
    {
        $rows = 0;
        do {
            $gone = (int) $this->connection->executeStatement(
                "DELETE FROM $table WHERE $which LIMIT ".self::AT_ONCE,
                [$value],
                [$type],
            );
            $rows += $gone;
        } while (self::AT_ONCE === $gone);

        return $rows;
    }
}
