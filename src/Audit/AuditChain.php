<?php

declare(strict_types=1);

namespace LucidAscent\App\Audit;

/**
 * Whether entries follow one another as they were written. Each has the hash of the one before it in its own: what is
 * changed, taken out, put in or put elsewhere shows from there on.
 */
final class AuditChain
{
    public const COLUMNS = ['at', 'actor', 'actor_id', 'session', 'action', 'what', 'teacher_id', 'whom'];
    private const BEFORE_ALL = "\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0";
    private const BINARY = ['actor_id', 'session', 'teacher_id', 'whom'];

    /**
     * @param int $seq the number of the entry before the first that is asked about
     * @param string $hash of that entry, 32 bytes
     */
    public function __construct(private int $seq = 0, private string $hash = self::BEFORE_ALL)
    {
    }

    /**
     * @param array<string, mixed> $row as the database has it
     *
     * @return string|null what is wrong with it; null where it follows
     */
    public function follows(array $row): ?string
    {
        $seq = (int) $row['seq'];
        $fault = match (true) {
            $seq !== $this->seq + 1 => sprintf('Entry %d is missing.', $this->seq + 1),
            $row['previous'] !== $this->hash => sprintf('Entry %d does not follow the one before it.', $seq),
            $row['hash'] !== self::hash($seq, $this->hash, $row) => sprintf('Entry %d has been changed.', $seq),
            default => null,
        };
        $this->seq = $seq;
        $this->hash = $row['hash'];

        return $fault;
    }

    public function seq(): int
    {
        return $this->seq;
    }

    /** What names the whole chain up to its last entry: kept elsewhere, it shows whether all of it was written anew. */
    public function seal(): string
    {
        return $this->seq.':'.bin2hex($this->hash);
    }

    /** @param array<string, mixed> $row */
    private static function hash(int $seq, string $previous, array $row): string
    {
        $parts = [strtoupper(bin2hex($previous)), (string) $seq];
        foreach (self::COLUMNS as $name) {
            $value = (string) ($row[$name] ?? '');
            $parts[] = in_array($name, self::BINARY, true) ? strtoupper(bin2hex($value)) : $value;
        }

        return hash('sha256', implode('|', $parts), true);
    }
}
