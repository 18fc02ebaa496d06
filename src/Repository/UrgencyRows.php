<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\Uid\Uuid;

/** How much each person needs the teacher, as last worked out, and those whom somebody may open in that order. */
final readonly class UrgencyRows
{
    public function __construct(
        private Connection $connection,
        private EntityManagerInterface $em,
        private OpenPeople $open,
    ) {
    }

    /**
     * @return array<string, string|null> by person: of which state of the records it was worked out; null where it has
     *     to be worked out each time
     */
    public function places(Teacher $teacher): array
    {
        $rows = $this->connection->fetchAllKeyValue(
            'SELECT p.id, u.place FROM practitioner p '.
                OpenPeople::JOIN.
                ' LEFT JOIN urgency u ON u.practitioner_id = p.id',
            $this->open->asked($teacher),
        );
        $places = [];
        foreach ($rows as $id => $place) {
            $places[(string) Uuid::fromBinary((string) $id)] = $place;
        }

        return $places;
    }

    /** @param array<string, array{int, string|null}> $levels level and state of the records by person */
    public function keep(array $levels): void
    {
        foreach ($levels as $id => [$level, $place]) {
            $this->connection->executeStatement(
                'INSERT INTO urgency (practitioner_id, level, place) VALUES (:id, :level, :place) ON DUPLICATE KEY UPDATE level = :level, place = :place',
                ['id' => Uuid::fromString($id)->toBinary(), 'level' => $level, 'place' => $place],
            );
        }
    }

    /**
     * One page of those whose name has a text in it: who needs somebody most comes first, and then by name.
     *
     * @return array{list<Practitioner>, int} the page, and how many there are in all
     */
    public function page(Teacher $teacher, string $text, int $page, int $each): array
    {
        $from =
            'FROM practitioner p '.
            OpenPeople::JOIN.
            " LEFT JOIN urgency u ON u.practitioner_id = p.id WHERE p.name LIKE :text ESCAPE '!'";
        $asked = [
            'text' => '%'.strtr($text, ['!' => '!!', '%' => '!%', '_' => '!_']).'%',
        ] + $this->open->asked($teacher);
        $ids = $this->connection->fetchFirstColumn(
            sprintf(
                "SELECT p.id $from ORDER BY u.level DESC, p.name, p.created_at, p.id LIMIT %d OFFSET %d",
                $each,
                ($page - 1) * $each,
            ),
            $asked,
        );
        // In any order: that of the page is the other question's.
        $people = $this->em
            ->createQuery('SELECT p FROM '.Practitioner::class.' p WHERE p.id IN (:ids)')
            ->setParameter('ids', $ids, ArrayParameterType::BINARY)
            ->getResult();
        $place = array_flip($ids);
        usort(
            $people,
            static fn (Practitioner $a, Practitioner $b): int => $place[$a->id->toBinary()]
                <=> $place[$b->id->toBinary()],
        );

        return [
            $people,
            (int) $this->connection->fetchOne("SELECT COUNT(*) $from", $asked),
        ];
    }
}
