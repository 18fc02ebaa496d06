<?php

declare(strict_types=1);

namespace LucidAscent\App\Audit;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\Teacher;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Who did what with whose record: written once, and never touched again; nothing of anybody's health is in it. */
final readonly class AuditTrail
{
    public const TEACHER = 'teacher';
    public const PERSON = 'practitioner';
    /** A calendar that was subscribed to, by its secret address. */
    public const CALENDAR = 'calendar';
    public const CONSOLE = 'console';

    private const AT_ONCE = 5000;
    /** One entry follows another: all that write wait for the one before. */
    private const WAIT_SECONDS = 3;

    public function __construct(private Connection $connection, private ClockInterface $clock)
    {
    }

    /**
     * @param Uuid|null $session where it was done: of a browser that is signed in, or of a device
     * @param Uuid|null $teacher whose people it is about
     */
    public function write(
        string $actor,
        ?Uuid $by,
        Action $action,
        Place $place,
        ?Uuid $teacher = null,
        ?Uuid $whom = null,
        ?Uuid $session = null,
    ): void {
        // Whoever waits for longer begins anew: a machine that has stopped half way is let go of by then, and none of
        // those of it that wait behind it comes next.
        $this->connection->executeStatement(
            'SET STATEMENT innodb_lock_wait_timeout = '.self::WAIT_SECONDS.
                ' FOR INSERT INTO audit_entry (at, actor, actor_id, session, action, what, teacher_id, whom)
                VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
            [
                $this->clock->now(),
                $actor,
                $by?->toBinary(),
                $session?->toBinary(),
                $action->value,
                $place->value,
                $teacher?->toBinary(),
                $whom?->toBinary(),
            ],
            [MomentType::NAME],
        );
    }

    /** When everything was last copied, proved and sealed; null when it never was. */
    public function lastBackup(): ?\DateTimeImmutable
    {
        $at = $this->connection->fetchOne(
            'SELECT at FROM audit_entry WHERE teacher_id IS NULL AND actor = ? AND action = ? AND what = ?
             ORDER BY seq DESC LIMIT 1',
            [self::CONSOLE, Action::Export->value, Place::Backup->value],
        );

        return false === $at ? null : $this->connection->convertToPHPValue($at, MomentType::NAME);
    }

    /**
     * Whether every entry is as it was written, and none is missing.
     *
     * @param string $seal of an earlier day; empty where none was kept
     *
     * @return array{list<string>, string} what is wrong, and the seal of what there is
     */
    public function verify(string $seal = ''): array
    {
        $chain = new AuditChain();
        $faults = [];
        $isSealed = '' === $seal || $seal === $chain->seal();
        do {
            $rows = $this->connection->fetchAllAssociative(
                'SELECT * FROM audit_entry WHERE seq > ? ORDER BY seq LIMIT '.self::AT_ONCE,
                [$chain->seq()],
            );
            foreach ($rows as $row) {
                $fault = $chain->follows($row);
                $faults = null === $fault ? $faults : [...$faults, $fault];
                $isSealed = $isSealed || $seal === $chain->seal();
            }
        } while ([] !== $rows && count($faults) < 10);
        $head = $this->connection->fetchAssociative('SELECT seq, hash FROM audit_head WHERE id = 1');
        if (false === $head || $head['seq'].':'.bin2hex($head['hash']) !== $chain->seal()) {
            $faults[] = sprintf('The last entry written was %s; the last there is, is %d.', $head['seq'] ?? 'none',
                $chain->seq());
        }
        if (!$isSealed) {
            $faults[] = 'No entry has that seal: what was written up to it has been written anew.';
        }

        return [$faults, $chain->seal()];
    }

    /**
     * What was done with the records of a teacher's people, or of a studio's for who owns it, the newest first.
     *
     * @param int $before the number of an entry that all of them are older than
     *
     * @return list<array{seq: int, at: \DateTimeImmutable, actor: string, by: string|null, agent: string,
     *     action: Action, place: Place, whom: string|null, person: string|null, teacher: string|null}> whoever has
     *     been erased, or has gone to another teacher, has no name here; whose person it is now, by id
     */
    public function entries(Teacher $teacher, ?Action $action, int $before, int $most): array
    {
        // An owner answers for the studio.
        $whose =
            Role::Owner === $teacher->role()
                ? $this->connection->fetchFirstColumn('SELECT id FROM teacher WHERE studio_id = ?', [
                    $teacher->studio()->id->toBinary(),
                ])
                : [$teacher->id->toBinary()];

        return array_map(
            self::entry(...),
            $this->connection->fetchAllAssociative(
                "SELECT a.*, p.name AS person, p.teacher_id AS now_of, t.name AS teacher_name, s.agent
                 FROM audit_entry a
                 LEFT JOIN practitioner p ON p.id = a.whom AND p.teacher_id IN (:whose)
                 LEFT JOIN teacher t ON t.id = a.actor_id LEFT JOIN signed_in s ON s.id = a.session
                 WHERE (a.teacher_id IN (:whose) OR a.teacher_id IS NULL AND a.whom IS NULL) AND a.seq < :before
                    AND (:action = '' OR a.action = :action) ORDER BY a.seq DESC LIMIT $most",
                ['whose' => $whose, 'before' => $before, 'action' => $action->value ?? ''],
                ['whose' => ArrayParameterType::BINARY],
            ),
        );
    }

    /**
     * Who did what with one person's record on which day, the newest first.
     *
     * @return list<array{day: \DateTimeImmutable, lines: non-empty-list<array{actor: string, by: string|null,
     *     action: Action, place: Place, times: int}>}>
     */
    public function ofPerson(Uuid $whom, int $most): array
    {
        $days = [];
        foreach (
            $this->connection->fetchAllAssociative(
                "SELECT DATE(CONVERT_TZ(a.at, '+00:00', ?)) AS day, a.actor, t.name, a.action, a.what,
                        COUNT(*) AS times, MAX(a.seq) AS newest
                 FROM audit_entry a LEFT JOIN teacher t ON t.id = a.actor_id AND a.actor = 'teacher'
                 WHERE a.whom = ? GROUP BY day, a.actor, t.name, a.action, a.what
                 ORDER BY day DESC, newest DESC LIMIT $most",
                [$this->clock->now()->format('P'), $whom->toBinary()],
            ) as $row
        ) {
            $days[(string) $row['day']][] = [
                'actor' => (string) $row['actor'],
                'by' => null === $row['name'] ? null : (string) $row['name'],
                'action' => Action::from((string) $row['action']),
                'place' => Place::from((string) $row['what']),
                'times' => (int) $row['times'],
            ];
        }

        return array_map(
            static fn (string $day, array $lines): array => [
                'day' => new \DateTimeImmutable($day, new \DateTimeZone('UTC')),
                'lines' => $lines,
            ],
            array_keys($days),
            array_values($days),
        );
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array{seq: int, at: \DateTimeImmutable, actor: string, by: string|null, agent: string, action: Action,
     *     place: Place, whom: string|null, person: string|null, teacher: string|null}
     */
    private static function entry(array $row): array
    {
        return [
            'seq' => (int) $row['seq'],
            'at' => new \DateTimeImmutable((string) $row['at'], new \DateTimeZone('UTC')),
            'actor' => (string) $row['actor'],
            'by' => null === $row['teacher_name'] ? null : (string) $row['teacher_name'],
            'agent' => (string) $row['agent'],
            'action' => Action::from((string) $row['action']),
            'place' => Place::from((string) $row['what']),
            'whom' => null === $row['whom'] ? null : (string) Uuid::fromBinary($row['whom']),
            'person' => null === $row['person'] ? null : (string) $row['person'],
            'teacher' => null === $row['now_of'] ? null : (string) Uuid::fromBinary($row['now_of']),
        ];
    }
}
