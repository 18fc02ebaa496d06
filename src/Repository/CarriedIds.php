<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\Connection;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\Uid\Uuid;

/** Rows that have another key than their id in the record that they came in: the same record may be in two accounts. */
final readonly class CarriedIds
{
    public function __construct(private Connection $connection, private OpenPeople $open)
    {
    }

    /** @return array<string, string> the id in the record by the row's key, as texts */
    public function of(Practitioner $practitioner): array
    {
        $ids = [];
        foreach (
            $this->connection->iterateNumeric('SELECT row_id, record_id FROM carried_id WHERE practitioner_id = ?', [
                $practitioner->id->toBinary(),
            ]) as [$row, $record]
        ) {
            $ids[(string) Uuid::fromBinary($row)] = (string) Uuid::fromBinary($record);
        }

        return $ids;
    }

    /** The key of the person whose record has this id, among those that a teacher may open; null when there is none. */
    public function person(Teacher $teacher, Uuid $record): ?Uuid
    {
        $row = $this->connection->fetchOne(
            'SELECT p.id FROM practitioner p '.
                OpenPeople::WHOSE.
                ' LEFT JOIN carried_id c ON c.row_id = p.id WHERE COALESCE(c.record_id, p.id) = :record',
            ['record' => $record->toBinary()] + $this->open->asked($teacher),
        );

        return false === $row ? null : Uuid::fromBinary($row);
    }

    /** @param array<string, string> $records the id in the record by the row's key */
    public function add(Uuid $practitioner, array $records): void
    {
        foreach ($records as $row => $record) {
            $this->connection->insert('carried_id', [
                'row_id' => Uuid::fromString($row)->toBinary(),
                'record_id' => Uuid::fromString($record)->toBinary(),
                'practitioner_id' => $practitioner->toBinary(),
            ]);
        }
    }
}
