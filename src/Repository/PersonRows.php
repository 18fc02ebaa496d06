<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Symfony\Component\Uid\Uuid;

/**
 * Everything in the database that is about one person, as rows: to be erased, or to become another's. The application
 * itself may do neither; whoever runs this has the rights of the database's owner.
 */
final readonly class PersonRows
{
    /** Tables with a person in them, each before what it leads to. */
    public const TABLES = [
        'decision',
        'readiness_check',
        'session_log',
        'practice_plan',
        'test',
        'kept_reading',
        'assessment',
        'body_measures',
        'clearance',
        'class_member',
        'draft',
        'kept_picture',
        'lab_setup',
        'mistake',
        'pain_said',
        'felt_in_rung',
        'other_load',
        'way_tried',
        'ways_compared',
        'question',
        'answer',
        'plan_feed',
        'seen_rung',
        'own_word',
        'from_practitioner',
        'seen_by_teacher',
        'own_allowed',
        'own_key',
        'carried_id',
        'sharing',
        'handed_over',
        'consent',
    ];

    public function __construct(private Connection $connection)
    {
    }

    /** @return list<Uuid> whose pictures there are files of */
    public function pictures(Uuid $person): array
    {
        return array_map(
            Uuid::fromBinary(...),
            $this->connection->fetchFirstColumn('SELECT id FROM kept_picture WHERE practitioner_id = ?', [
                $person->toBinary(),
            ]),
        );
    }

    /** @return int how many rows are gone; a tombstone without anything of the person stays */
    public function erase(Uuid $person, \DateTimeImmutable $at): int
    {
        return $this->connection->transactional(function (Connection $connection) use ($person, $at): int {
            $p = [$person->toBinary()];
            // How forms were filled in is kept under the ids that they made.
            $ids = $connection->fetchFirstColumn('SELECT entry_id FROM test WHERE practitioner_id = ?', $p);
            foreach (array_diff(self::TABLES, ['carried_id']) as $table) {
                array_push(
                    $ids,
                    ...$connection->fetchFirstColumn("SELECT id FROM $table WHERE practitioner_id = ?", $p),
                );
            }
            $ids[] = $person->toBinary();
            $rows = (int) $connection->executeStatement(
                'DELETE r FROM trial r JOIN test t ON t.id = r.test_id WHERE t.practitioner_id = ?',
                $p,
            );
            foreach (
                [
                    'plan_feed_end' => 'plan_feed',
                    'assessment_end' => 'assessment',
                    'own_key_end' => 'own_key',
                    'own_device' => 'own_key',
                    'sharing_end' => 'sharing',
                ] as $end => $of
            ) {
                $rows += (int) $connection->executeStatement(
                    "DELETE e FROM $end e JOIN $of o ON o.id = e.id WHERE o.practitioner_id = ?",
                    $p,
                );
            }
            $rows += (int) $connection->executeStatement(
                'DELETE t FROM pin_try t JOIN own_key k ON k.id = t.device WHERE k.practitioner_id = ?',
                $p,
            );
            $rows += (int) $connection->executeStatement(
                'DELETE FROM sent_form WHERE entry IN (?)',
                [$ids],
                [ArrayParameterType::BINARY],
            );
            $authors = $connection->fetchFirstColumn(
                'SELECT t.id FROM teacher t JOIN carried_id c ON c.row_id = t.id WHERE c.practitioner_id = ?',
                $p,
            );
            foreach (self::TABLES as $table) {
                $rows += (int) $connection->executeStatement("DELETE FROM $table WHERE practitioner_id = ?", $p);
            }
            // Those of whom a file said that they wrote of this person, and nobody else.
            $rows += (int) $connection->executeStatement(
                'DELETE FROM teacher WHERE id IN (?)',
                [$authors],
                [ArrayParameterType::BINARY],
            );
            $rows += (int) $connection->executeStatement('DELETE FROM practitioner WHERE id = ?', $p);
            $connection->executeStatement('DELETE FROM change_count WHERE subject = ?', $p);
            $connection->executeStatement('INSERT IGNORE INTO erased (id, at, `rows`) VALUES (?, ?, ?)', [
                $person->toBinary(),
                $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s.u'),
                $rows,
            ]);

            return $rows;
        });
    }

    /** The same person in another teacher's account: who measured what stays as it is. */
    public function move(Uuid $person, Uuid $teacher): void
    {
        // The calendar and the own page are at addresses that the old teacher has given out.
        $this->connection->transactional(function (Connection $connection) use ($person, $teacher): void {
            $connection->executeStatement(
                'INSERT INTO plan_feed_end (id, at) SELECT f.id, UTC_TIMESTAMP(6) FROM plan_feed f WHERE f.practitioner_id = ? AND NOT EXISTS (SELECT 1 FROM plan_feed_end e WHERE e.id = f.id)',
                [$person->toBinary()],
            );
            $connection->executeStatement(
                'INSERT INTO own_key_end (id, at) SELECT k.id, UTC_TIMESTAMP(6) FROM own_key k WHERE k.practitioner_id = ? AND NOT EXISTS (SELECT 1 FROM own_key_end e WHERE e.id = k.id)',
                [$person->toBinary()],
            );
            // Whoever else could open the record was of the studio that it leaves.
            $connection->executeStatement(
                'INSERT INTO sharing_end (id, at) SELECT s.id, UTC_TIMESTAMP(6) FROM sharing s WHERE s.practitioner_id = ? AND NOT EXISTS (SELECT 1 FROM sharing_end e WHERE e.id = s.id)',
                [$person->toBinary()],
            );
            // The classes stay with who gives them.
            $connection->executeStatement('DELETE FROM class_member WHERE practitioner_id = ?', [$person->toBinary()]);
            $old = $connection->fetchOne('SELECT teacher_id FROM practitioner WHERE id = ?', [$person->toBinary()]);
            $connection->executeStatement('UPDATE practitioner SET teacher_id = ? WHERE id = ?', [
                $teacher->toBinary(),
                $person->toBinary(),
            ]);
            // The one who had the person has one less: that is a change of that account as well.
            $connection->executeStatement('UPDATE teacher SET name = name WHERE id = ?', [$old]);
        });
    }

    /**
     * What was written down about one becomes the other's, for the two are one; the first is then gone, and its id
     * leads to the other.
     */
    public function merge(Uuid $from, Uuid $into): void
    {
        $this->connection->transactional(function (Connection $connection) use ($from, $into): void {
            $both = [$into->toBinary(), $from->toBinary()];
            // Of what was typed and not recorded the other's own stays, where both have some.
            $connection->executeStatement(
                'DELETE d FROM draft d JOIN draft o ON o.place = d.place AND o.by_id = d.by_id AND o.practitioner_id = ? WHERE d.practitioner_id = ?',
                $both,
            );
            // Expected twice is expected once.
            $connection->executeStatement(
                'DELETE m FROM class_member m JOIN class_member o ON o.class_id = m.class_id AND o.practitioner_id = ? WHERE m.practitioner_id = ?',
                $both,
            );
            foreach (self::TABLES as $table) {
                $connection->executeStatement("UPDATE $table SET practitioner_id = ? WHERE practitioner_id = ?", $both);
            }
            $connection->executeStatement('UPDATE merged SET into_id = ? WHERE into_id = ?', $both);
            $connection->executeStatement('INSERT INTO merged (into_id, id) VALUES (?, ?)', $both);
            $connection->executeStatement('DELETE FROM practitioner WHERE id = ?', [$from->toBinary()]);
            $connection->executeStatement('DELETE FROM change_count WHERE subject = ?', [$from->toBinary()]);
            $connection->executeStatement('UPDATE practitioner SET name = name WHERE id = ?', [$into->toBinary()]);
        });
    }
}
