<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\Connection;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\Uid\Uuid;

/** Who has not come for a time. */
final readonly class AwayPeople
{
    public function __construct(private Connection $connection)
    {
    }

    /** @return list<array{id: string, name: string, last: \DateTimeImmutable}> the longest away first */
    public function since(Teacher $teacher, \DateTimeImmutable $before): array
    {
        return array_map(
            static fn (array $row): array => [
                'id' => (string) Uuid::fromBinary($row['id']),
                'name' => (string) $row['name'],
                'last' => new \DateTimeImmutable((string) $row['last'], new \DateTimeZone('UTC')),
            ],
            $this->connection->fetchAllAssociative(
                'SELECT p.id, p.name, GREATEST(COALESCE(c.latest, p.created_at), p.created_at) AS last
                 FROM practitioner p LEFT JOIN change_count c ON c.subject = p.id
                 WHERE p.teacher_id = ? HAVING last < ? ORDER BY last, p.name',
                [$teacher->id->toBinary(), $before],
                [1 => MomentType::NAME],
            ),
        );
    }
}
