<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\AccessDevice;
use LucidAscent\App\Entity\AccessKey;
use LucidAscent\App\Entity\AccessKeyEnd;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\HomeTestsAllowed;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\Core\Calendar\Day;
use Symfony\Component\Uid\Uuid;

/** What a practitioner has put in by the own page, and what the teacher has not seen of it yet. */
final readonly class AccessRecords
{
    public function __construct(
        private EntityManagerInterface $em,
        private Connection $connection,
        private OpenPeople $open,
    ) {
    }

    /** @return array<string, bool> which tests may be taken at home, by id: whether the teacher has seen how */
    public function allowed(Practitioner $practitioner): array
    {
        $newest = $this->em
            ->createQuery(
                'SELECT a FROM '.
                    HomeTestsAllowed::class.
                    ' a WHERE a.practitioner = :p ORDER BY a.at DESC, a.id DESC',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->setMaxResults(1)
            ->getOneOrNullResult();

        return $newest instanceof HomeTestsAllowed ? $newest->tests : [];
    }

    public function satOn(Practitioner $practitioner, string $day): bool
    {
        return 0 <
            (int) $this->connection->fetchOne(
                'SELECT COUNT(*) FROM own_word WHERE practitioner_id = ? AND kind = ? AND said_on = ?',
                [$practitioner->id->toBinary(), PractitionerNote::SAT, $day],
            );
    }

    /** @return list<PractitionerNote> the newest first */
    public function words(Practitioner $practitioner, int $most): array
    {
        return $this->em
            ->createQuery(
                'SELECT w FROM '.
                    PractitionerNote::class.
                    ' w WHERE w.practitioner = :p AND w.kind = :kind ORDER BY w.at DESC, w.id DESC',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->setParameter('kind', PractitionerNote::WORDS)
            ->setMaxResults($most)
            ->getResult();
    }

    /**
     * @param list<SessionLog> $logs
     *
     * @return list<array{from: \DateTimeImmutable, sessions: int}> the weeks up to a day, the oldest first
     */
    public function sessionsByWeek(array $logs, string $today, int $weeks): array
    {
        $byWeek = [];
        for ($i = $weeks - 1; $i >= 0; --$i) {
            $byWeek[] = [
                'from' => (new \DateTimeImmutable($today))->modify(sprintf('-%d days', 7 * $i + 6)),
                'sessions' => 0,
            ];
        }
        foreach ($logs as $log) {
            $age = Day::between($log->practisedOn, new \DateTimeImmutable($today));
            $week = $weeks - 1 - intdiv(max(0, $age), 7);
            if ($age >= 0 && isset($byWeek[$week])) {
                ++$byWeek[$week]['sessions'];
            }
        }

        return $byWeek;
    }

    /**
     * What came in since the teacher has last seen it, pain first; and the teacher's own notes that ask something.
     *
     * @return array{pains: list<PainSaid>, tests: list<Test>, logs: list<SessionLog>, words: list<PractitionerNote>,
     *     pictures: list<StoredPicture>, notes: list<PractitionerNote>}
     */
    public function cameIn(Practitioner $practitioner): array
    {
        $since = $this->connection->fetchOne('SELECT MAX(at) FROM seen_by_teacher WHERE practitioner_id = ?', [
            $practitioner->id->toBinary(),
        ]);
        $ids = ['pain' => [], 'test' => [], 'log' => [], 'words' => [], 'picture' => []];
        foreach (
            $this->connection->iterateNumeric(
                "SELECT kind, id FROM from_practitioner WHERE practitioner_id = ? AND at > ? AND kind <> 'check'
                 ORDER BY at DESC LIMIT 60",
                [$practitioner->id->toBinary(), $since ?: '1970-01-01'],
            ) as [$kind, $id]
        ) {
            $ids[$kind][] = $id;
        }

        // A test in which something hurt was marked as pain.
        return [
            'pains' => $this->those(PainSaid::class, $ids[FromPractitioner::PAIN]),
            'tests' => $this->those(Test::class, [
                ...$ids[FromPractitioner::TEST],
                ...$ids[FromPractitioner::PAIN],
            ]),
            'logs' => $this->those(SessionLog::class, $ids[FromPractitioner::LOG]),
            'words' => $this->those(PractitionerNote::class, $ids[FromPractitioner::WORDS]),
            'pictures' => $this->those(StoredPicture::class, $ids[FromPractitioner::PICTURE]),
            'notes' => $this->those(
                PractitionerNote::class,
                $this->connection->fetchFirstColumn(
                    'SELECT id FROM own_word WHERE practitioner_id = ? AND kind = ? AND at > ? ORDER BY at DESC',
                    [$practitioner->id->toBinary(), PractitionerNote::OF_TEACHER, $since ?: '1970-01-01'],
                ),
            ),
        ];
    }

    /**
     * Of whom something came in that the teacher has not seen, those with pain first.
     *
     * @return list<array{id: string, name: string, pains: int, others: int}>
     */
    public function unseen(Teacher $teacher): array
    {
        $rows = $this->connection->fetchAllAssociative(
            "SELECT p.id, p.name, SUM(f.kind = 'pain') AS pains, SUM(f.kind NOT IN ('pain', 'check')) AS others
             FROM from_practitioner f JOIN practitioner p ON p.id = f.practitioner_id ".
                OpenPeople::JOIN.
                " WHERE f.at > COALESCE(
                (SELECT MAX(s.at) FROM seen_by_teacher s WHERE s.practitioner_id = p.id), '1970-01-01'
             ) GROUP BY p.id, p.name ORDER BY SUM(f.kind = 'pain') = 0, MAX(f.at) DESC",
            $this->open->asked($teacher),
        );

        return array_map(
            static fn (array $row): array => [
                'id' => (string) Uuid::fromBinary($row['id']),
                'name' => (string) $row['name'],
                'pains' => (int) $row['pains'],
                'others' => (int) $row['others'],
            ],
            $rows,
        );
    }

    /** Whether a record came in by the own page. */
    public function isOwn(Uuid $record): bool
    {
        return 0 <
            (int) $this->connection->fetchOne('SELECT COUNT(*) FROM from_practitioner WHERE id = ?', [
                $record->toBinary(),
            ]);
    }

    /** The key that counts now, and whether a device has been bound to it. */
    public function key(Practitioner $practitioner, \DateTimeImmutable $now): ?AccessKey
    {
        return $this->em
            ->createQuery(
                'SELECT k FROM '.
                    AccessKey::class.
                    ' k WHERE k.practitioner = :p AND k.expiresAt > :now AND NOT EXISTS (SELECT 1 FROM '.
                    AccessKeyEnd::class.
                    ' e WHERE e.id = k.id) ORDER BY k.at DESC',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->setParameter('now', $now, MomentType::NAME)
            ->setMaxResults(1)
            ->getOneOrNullResult();
    }

    public function device(AccessKey $key): ?AccessDevice
    {
        return $this->em->find(AccessDevice::class, $key->id);
    }

    /** @return list<AccessKey> those of a person that count still, however many */
    public function keys(Practitioner $practitioner): array
    {
        return $this->em
            ->createQuery(
                'SELECT k FROM '.
                    AccessKey::class.
                    ' k WHERE k.practitioner = :p AND NOT EXISTS (SELECT 1 FROM '.
                    AccessKeyEnd::class.
                    ' e WHERE e.id = k.id)',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->getResult();
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     * @param list<string> $ids
     *
     * @return list<T> the newest first
     */
    private function those(string $class, array $ids): array
    {
        return [] === $ids
            ? []
            : $this->em
                ->createQuery("SELECT o FROM $class o WHERE o.id IN (:ids) ORDER BY o.at DESC")
                ->setParameter('ids', $ids, \Doctrine\DBAL\ArrayParameterType::BINARY)
                ->getResult();
    }
}
