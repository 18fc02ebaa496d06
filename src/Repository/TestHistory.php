<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\Connection;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedType;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Component\Uid\Uuid;

/** The tests of a person as lists show them, as rows: years of them are read at a time. */
final readonly class TestHistory
{
    public function __construct(private Connection $connection)
    {
    }

    /**
     * The newest entries that stand.
     *
     * @return array{array<string, array<string, ShownTest>>, bool} the tests of each by side, by entry, the newest
     *     first; and whether there are older ones
     */
    public function newest(Practitioner $practitioner, int $most): array
    {
        // The sides of an entry were written down at one moment: no more than two rows an entry, one beside the other.
        $rows = $this->connection->iterateAssociative(
            sprintf(
                'SELECT t.id, t.entry_id, t.kind, t.side, t.at, t.compensations, t.pain_level, t.pain_place, t.pain_kind, t.note, w.name AS written_by, w.email AS author_address, (SELECT COUNT(*) FROM from_practitioner f WHERE f.id = t.id) AS is_own, r.readings, r.entered FROM (SELECT o.* FROM test o WHERE o.practitioner_id = :p AND NOT EXISTS (SELECT 1 FROM test c WHERE c.corrects = o.entry_id) ORDER BY o.at DESC, o.id DESC LIMIT %d) t JOIN trial r ON r.test_id = t.id JOIN teacher w ON w.id = t.by_id ORDER BY t.at DESC, t.id DESC, r.ordinal',
                2 * $most + 2,
            ),
            ['p' => $practitioner->id->toBinary()],
        );
        $trials = $of = $entries = [];
        foreach ($rows as $row) {
            $trials[$row['id']][] = [
                'readings' => array_map(floatval(...), json_decode($row['readings'], true)),
                'entered' => json_decode($row['entered'], true),
            ];
            $of[$row['id']] = $row;
        }
        foreach ($of as $id => $row) {
            $entries[(string) Uuid::fromBinary($row['entry_id'])][$row['side']] = new ShownTest(
                $row['kind'],
                $this->connection->convertToPHPValue($row['at'], MomentType::NAME),
                $trials[$id],
                json_decode($row['compensations'], true),
                new Pain(
                    (int) $row['pain_level'],
                    PainPlace::from($row['pain_place']),
                    PainKind::from($row['pain_kind']),
                ),
                (string) $this->connection->convertToPHPValue($row['note'], SealedType::NAME),
                $row['written_by'],
                Teacher::isClaimedAddress($row['author_address']),
                1 === (int) $row['is_own'],
            );
        }
        $shown = array_slice($entries, 0, $most, true);
        foreach ($shown as &$both) {
            ksort($both);
        }

        return [$shown, count($entries) > $most];
    }
}
