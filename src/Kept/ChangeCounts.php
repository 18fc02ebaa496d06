<?php

declare(strict_types=1);

namespace LucidAscent\App\Kept;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use LucidAscent\App\Repository\MomentType;
use Symfony\Component\Uid\Uuid;

/**
 * How often something was written about somebody, as the database counts it in the transaction that writes: what was
 * read after the count was, is at least as new as the count says.
 */
final readonly class ChangeCounts
{
    public function __construct(private Connection $connection)
    {
    }

    /**
     * @param list<Uuid> $subjects people, and teachers for what is their own
     *
     * @return array<string, array{number: int, latest: \DateTimeImmutable|null}> by id: the count, and the latest moment in any of its records
     */
    public function of(array $subjects): array
    {
        $counts = [];
        foreach ($subjects as $subject) {
            $counts[(string) $subject] = ['number' => 0, 'latest' => null];
        }
        $rows = $this->connection->fetchAllAssociative('SELECT subject, number, latest FROM change_count WHERE subject IN (:subjects)', ['subjects' => array_map(static fn (Uuid $one): string => $one->toBinary(), $subjects)], ['subjects' => ArrayParameterType::BINARY]);
        foreach ($rows as $row) {
            $counts[(string) Uuid::fromBinary($row['subject'])] = ['number' => (int) $row['number'], 'latest' => $this->connection->convertToPHPValue($row['latest'], MomentType::NAME)];
        }

        return $counts;
    }
}
