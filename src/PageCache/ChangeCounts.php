<?php

declare(strict_types=1);

namespace LucidAscent\App\PageCache;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\Events;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\OpenPeople;
use Symfony\Component\Uid\Uuid;

/**
 * How often something was written about somebody, as the database counts it in the transaction that writes: what was
 * read after the count was, is at least as new as the count says.
 */
#[AsDoctrineListener(Events::postFlush), AsDoctrineListener(Events::onClear)]
final class ChangeCounts
{
    /**
     * @var array<string, array{number: int, latest: \DateTimeImmutable|null}> what was asked already, as long as
     *     nothing is written here
     */
    private array $known = [];

    public function __construct(private readonly Connection $connection, private readonly OpenPeople $open)
    {
    }

    public function postFlush(): void
    {
        $this->known = [];
    }

    public function onClear(): void
    {
        $this->known = [];
    }

    /**
     * Of everybody who is open to somebody, as one.
     *
     * @return array{number: string, latest: \DateTimeImmutable|null} no two states of their records have the same
     *     number
     */
    public function ofEverybody(Teacher $teacher): array
    {
        $row = (array) $this->connection->fetchAssociative(
            // Sums alone would be the same again after one has left and another come.
            "SELECT CONCAT_WS(' ', COUNT(*), SUM(c.number), BIT_XOR(CRC32(CONCAT(HEX(c.subject), c.number)))) AS number,
                    MAX(c.latest) AS latest
             FROM practitioner p ".
                OpenPeople::JOIN.
                ' JOIN change_count c ON c.subject = p.id',
            $this->open->asked($teacher),
        );

        return [
            'number' => (string) $row['number'],
            'latest' => $this->connection->convertToPHPValue($row['latest'], MomentType::NAME),
        ];
    }

    /**
     * @param list<Uuid> $subjects people, teachers and studios for what is their own
     *
     * @return array<string, array{number: int, latest: \DateTimeImmutable|null}> by id: the count, and the latest
     *     moment in any of its records
     */
    public function of(array $subjects): array
    {
        $unknown = array_values(
            array_filter($subjects, fn (Uuid $one): bool => !isset($this->known[(string) $one])),
        );
        foreach ($unknown as $subject) {
            $this->known[(string) $subject] = ['number' => 0, 'latest' => null];
        }
        $rows =
            [] === $unknown
                ? []
                : $this->connection->fetchAllAssociative(
                    'SELECT subject, number, latest FROM change_count WHERE subject IN (:subjects)',
                    ['subjects' => array_map(static fn (Uuid $one): string => $one->toBinary(), $unknown)],
                    ['subjects' => ArrayParameterType::BINARY],
                );
        foreach ($rows as $row) {
            $this->known[(string) Uuid::fromBinary($row['subject'])] = [
                'number' => (int) $row['number'],
                'latest' => $this->connection->convertToPHPValue($row['latest'], MomentType::NAME),
            ];
        }

        return array_intersect_key($this->known, array_flip(array_map(strval(...), $subjects)));
    }
}
