<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\History\Entry\TestCorrected;
use LucidAscent\Core\History\Entry\TestTaken;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\Tool;
use Symfony\Component\Uid\Uuid;

/**
 * The tests of a person as entries of a history: rows turned into values, for years of them are read at a time. Which
 * of them stand is not asked here.
 *
 * A row is a test's columns, with readings and own errors of each of its trials, by name.
 *
 * @phpstan-type Row array{array<string, mixed>, non-empty-list<array{array<string, float>, array<string, float>}>}
 */
final readonly class TestRows
{
    public function __construct(private Connection $connection)
    {
    }

    /**
     * The tests that can tell anything at a moment: those that are not too old by then; and where a test of a side was
     * not taken cleanly for so long, those of as many days before it last was.
     *
     * @return list<TestTaken|TestCorrected> the newest first
     */
    public function at(Practitioner $practitioner, \DateTimeImmutable $moment): array
    {
        // Readings have days, of the teacher's zone; these are moments.
        $before = fn (\DateTimeImmutable $at): string => $this->written(
            $at->modify(sprintf('-%d days', Evidence::DAYS_VALID + 2)),
        );
        $known = [
            'p' => $practitioner->id->toBinary(),
            'moment' => $this->written($moment),
            'since' => $before($moment),
        ];
        $rows = $this->rows('t.at >= :since', $known);
        $which = [];
        $sure = $this->written($moment->modify(sprintf('-%d days', Evidence::DAYS_VALID - 1)));
        foreach ($this->lastClean($rows, $known, $sure) as $i => $one) {
            $which[] = "t.kind = :kind$i AND t.side = :side$i AND t.at >= :last$i AND t.at < :since";
            $known += [
                "kind$i" => $one['kind'],
                "side$i" => $one['side'],
                "last$i" => $before($this->moment($one['at'])),
            ];
        }

        return $this->entries(
            [] === $which ? $rows : [...$rows, ...$this->rows(implode(' OR ', $which), $known)],
            $practitioner,
        );
    }

    /**
     * All that was ever taken by a moment: what has changed is told by what is too old for a verdict as well.
     *
     * @return list<TestTaken|TestCorrected> the newest first
     */
    public function ever(Practitioner $practitioner, \DateTimeImmutable $moment): array
    {
        return $this->entries(
            $this->rows('TRUE', ['p' => $practitioner->id->toBinary(), 'moment' => $this->written($moment)]),
            $practitioner,
        );
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<TestTaken|TestCorrected>
     */
    private function entries(array $rows, Practitioner $practitioner): array
    {
        $entries = [];
        $isCorrected = false;
        foreach ($rows as [$row, $trials]) {
            $entries[] = $this->taken($row, $trials, $practitioner);
            $isCorrected = $isCorrected || null !== $row['corrects'] || 1 === (int) $row['is_corrected'];
        }

        return $isCorrected ? [...$entries, ...$this->corrections($practitioner)] : $entries;
    }

    /**
     * @param array<string, string> $known
     *
     * @return list<Row> the newest first, each with its trials in their order
     */
    private function rows(string $which, array $known): array
    {
        $trials = $rows = [];
        $asked = $this->connection->iterateAssociative(
            'SELECT t.id, t.entry_id, t.by_id, t.kind, t.side, t.at, t.tool, t.seat, t.pain_level, t.pain_place,
                    t.pain_kind, t.compensations, t.resting, t.corrects, t.is_clean,
                    EXISTS (SELECT 1 FROM test c WHERE c.corrects = t.entry_id) AS is_corrected,
                    EXISTS (SELECT 1 FROM from_practitioner f WHERE f.id = t.id) AS is_own,
                    (SELECT a.warm FROM assessment a WHERE a.id = t.assessment_id) AS warm, r.readings, r.errors
             FROM test t JOIN trial r ON r.test_id = t.id
             WHERE t.practitioner_id = :p AND t.at <= :moment AND ('.
                $which.
                ')
             ORDER BY t.at DESC, t.id DESC, r.ordinal',
            $known,
        );
        foreach ($asked as $row) {
            $trials[$row['id']][] = [
                array_map(floatval(...), json_decode($row['readings'], true)),
                array_map(floatval(...), json_decode($row['errors'], true)),
            ];
            $rows[$row['id']] = [$row, $trials[$row['id']]];
        }

        return array_values($rows);
    }

    /**
     * When each test of a side was last taken cleanly before the moment that readings count from, of those of which
     * none since counts for sure: how far back the rows have to go, and no more than that.
     *
     * @param list<Row> $rows what was taken since
     * @param array<string, string> $known
     * @param string $sure the moment from which a reading counts, whatever zone its day is of
     *
     * @return list<array<string, mixed>> kind, side and when
     */
    private function lastClean(array $rows, array $known, string $sure): array
    {
        $since = [];
        foreach ($rows as [$row]) {
            // A correction is of the day of what it corrects, which may be long past.
            $isStanding = 0 === (int) $row['is_corrected'] && null === $row['corrects'];
            if (1 === (int) $row['is_clean'] && $isStanding && $row['at'] >= $sure) {
                $since["$row[kind] $row[side]"] = true;
            }
        }

        return $this->connection->fetchAllAssociative(
            "SELECT t.kind, t.side, MAX(t.at) AS at FROM test t
             WHERE t.practitioner_id = :p AND t.at < :since AND CONCAT(t.kind, ' ', t.side) NOT IN (:clean)
               AND t.is_clean = 1
               AND NOT EXISTS (SELECT 1 FROM test c WHERE c.corrects = t.entry_id AND c.at <= :moment)
             GROUP BY t.kind, t.side",
            $known + ['clean' => ['', ...array_keys($since)]],
            ['clean' => ArrayParameterType::STRING],
        );
    }

    /**
     * @param array<string, mixed> $row
     * @param non-empty-list<array{array<string, float>, array<string, float>}> $trials
     */
    private function taken(array $row, array $trials, Practitioner $practitioner): TestTaken
    {
        $errors = [];
        foreach ($trials as [, $own]) {
            foreach ($own as $name => $sd) {
                $errors[$name] = max($sd, $errors[$name] ?? 0.0);
            }
        }
        $at = $this->moment($row['at']);
        $on = $practitioner->teacher->local($at);
        $id = 'test:'.self::id($row['id']);

        return new TestTaken(
            $id,
            $at,
            $on,
            1 === (int) $row['is_own'] ? '' : self::id($row['by_id']),
            self::id($row['entry_id']),
            new TakenTest(
                $row['kind'],
                Side::from($row['side']),
                Tool::tryFrom($row['tool']) ?? Tool::Tape,
                array_column($trials, 0),
                json_decode($row['compensations'], true),
                new Pain(
                    (int) $row['pain_level'],
                    PainPlace::from($row['pain_place']),
                    PainKind::from($row['pain_kind']),
                ),
                $on,
                new Sitting((float) $row['seat']),
                null === $row['resting'] ? null : (bool) $row['resting'],
                $errors,
                $on,
                null === $row['warm'] ? null : (bool) $row['warm'],
                $id,
                1 !== (int) $row['is_own'],
            ),
        );
    }

    /** @return list<TestCorrected> of one person, however old */
    private function corrections(Practitioner $practitioner): array
    {
        $corrections = [];
        $rows = $this->connection->iterateAssociative(
            'SELECT DISTINCT c.entry_id, c.corrects, c.at, c.by_id, t.at AS taken FROM test c JOIN test t ON t.entry_id = c.corrects WHERE c.practitioner_id = :p',
            ['p' => $practitioner->id->toBinary()],
        );
        foreach ($rows as $row) {
            $at = $this->moment($row['at']);
            $entry = self::id($row['entry_id']);
            $local = $practitioner->teacher->local(...);
            $corrections[] = new TestCorrected(
                "correction:$entry",
                $at,
                $local($at),
                self::id($row['by_id']),
                $entry,
                self::id($row['corrects']),
                $local($this->moment($row['taken'])),
            );
        }

        return $corrections;
    }

    private static function id(string $binary): string
    {
        return (string) Uuid::fromBinary($binary);
    }

    private function moment(string $written): \DateTimeImmutable
    {
        return $this->connection->convertToPHPValue($written, MomentType::NAME);
    }

    private function written(\DateTimeImmutable $moment): string
    {
        return $this->connection->convertToDatabaseValue($moment, MomentType::NAME);
    }
}
