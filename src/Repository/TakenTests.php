<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\Trial;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\Tool;

/**
 * The tests of a person as readings: rows turned into values, for years of them are read at a time.
 *
 * A row is a test's columns, with readings and own errors of each of its trials, by name.
 *
 * @phpstan-type Row array{array<string, mixed>, non-empty-list<array{array<string, float>, array<string, float>}>}
 */
final readonly class TakenTests
{
    /** Of one person, written down by a moment, and not corrected by then. */
    private const STOOD = ' FROM test t JOIN trial r ON r.test_id = t.id WHERE t.practitioner_id = :p AND t.at <= :moment AND '.self::UNCORRECTED;
    private const UNCORRECTED = 'NOT EXISTS (SELECT 1 FROM test c WHERE c.corrects = t.entry_id AND c.at <= :moment)';

    public function __construct(private Connection $connection)
    {
    }

    /**
     * The tests that can tell anything, as they stood at a moment: what was corrected only later is as it was. Those
     * that are not too old by then; and where a test of a side was not taken cleanly for so long, those of as many
     * days before it last was. A correction is of the day of what it corrects.
     *
     * @return list<TakenTest> the newest first
     */
    public function at(Practitioner $practitioner, \DateTimeImmutable $moment): array
    {
        // Readings have days, of the teacher's zone; these are moments.
        $before = fn (\DateTimeImmutable $at): string => $this->written($at->modify(sprintf('-%d days', Evidence::DAYS_VALID + 2)));
        $known = ['p' => $practitioner->id->toBinary(), 'moment' => $this->written($moment), 'since' => $before($moment)];
        $rows = $this->rows('t.at >= :since', $known);
        $which = [];
        foreach ($this->lastClean($rows, $known) as $i => $one) {
            $which[] = "t.kind = :kind$i AND t.side = :side$i AND t.at >= :last$i AND t.at < :since";
            $known += ["kind$i" => $one['kind'], "side$i" => $one['side'], "last$i" => $before($this->moment($one['at']))];
        }

        return $this->read([] === $which ? $rows : [...$rows, ...$this->rows(implode(' OR ', $which), $known)], $practitioner);
    }

    /**
     * All that was ever taken, as it stood at a moment: what has changed is told by what is too old for a verdict as well.
     *
     * @return list<TakenTest> the newest first
     */
    public function ever(Practitioner $practitioner, \DateTimeImmutable $moment): array
    {
        return $this->read($this->rows('TRUE', ['p' => $practitioner->id->toBinary(), 'moment' => $this->written($moment)]), $practitioner);
    }

    /**
     * The same of tests that are in no database: all that stood at a moment.
     *
     * @param list<Test> $tests
     *
     * @return list<TakenTest> the newest first
     */
    public function among(array $tests, Practitioner $practitioner, \DateTimeImmutable $moment): array
    {
        $rows = $corrected = $corrections = [];
        foreach ($tests as $test) {
            if ($test->at <= $moment) {
                $corrected[(string) $test->corrects] = true;
            }
            $corrections[(string) $test->entryId] = [null === $test->corrects ? null : (string) $test->corrects, $test->at];
        }
        usort($tests, static fn (Test $a, Test $b): int => [$b->at, $b->id->toBinary()] <=> [$a->at, $a->id->toBinary()]);
        foreach ($tests as $test) {
            $trials = array_map(static fn (Trial $one): array => [array_map(floatval(...), $one->readings), array_map(floatval(...), $one->errors)], $test->trials());
            if ($test->at <= $moment && !isset($corrected[(string) $test->entryId]) && [] !== $trials) {
                $rows[] = [[
                    'kind' => $test->kind, 'side' => $test->side->value, 'at' => $this->written($test->at), 'tool' => $test->tool, 'seat' => $test->seat,
                    'pain_level' => $test->painLevel, 'pain_place' => $test->painPlace->value, 'pain_kind' => $test->painKind->value,
                    'compensations' => json_encode($test->compensations), 'resting' => $test->resting, 'warm' => $test->assessment?->warm,
                    'corrects' => null === $test->corrects ? null : (string) $test->corrects,
                ], $trials];
            }
        }

        return $this->taking($rows, $practitioner, $corrections);
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<TakenTest> the newest first
     */
    private function read(array $rows, Practitioner $practitioner): array
    {
        $corrected = array_filter(array_column(array_column($rows, 0), 'corrects'), is_string(...));

        return $this->taking($rows, $practitioner, [] === $corrected ? [] : $this->corrections($practitioner));
    }

    /**
     * @param list<Row> $rows
     * @param array<string, array{string|null, \DateTimeImmutable}> $corrections
     *
     * @return list<TakenTest> the newest first
     */
    private function taking(array $rows, Practitioner $practitioner, array $corrections): array
    {
        $taken = [];
        foreach ($rows as [$row, $trials]) {
            $taken[] = $this->taken($row, $trials, $practitioner->teacher->local($this->first($row, $corrections)));
        }
        usort($taken, static fn (TakenTest $a, TakenTest $b): int => $b->on <=> $a->on);

        return $taken;
    }

    /**
     * @param array<string, string> $known
     *
     * @return list<Row> the newest first, each with its trials in their order
     */
    private function rows(string $which, array $known): array
    {
        $trials = $rows = [];
        foreach ($this->connection->iterateAssociative('SELECT t.id, t.kind, t.side, t.at, t.tool, t.seat, t.pain_level, t.pain_place, t.pain_kind, t.compensations, t.resting, t.corrects, t.is_clean, (SELECT a.warm FROM assessment a WHERE a.id = t.assessment_id) AS warm, r.readings, r.errors'.self::STOOD." AND ($which) ORDER BY t.at DESC, t.id DESC, r.ordinal", $known) as $row) {
            $trials[$row['id']][] = [array_map(floatval(...), json_decode($row['readings'], true)), array_map(floatval(...), json_decode($row['errors'], true))];
            $rows[$row['id']] = [$row, $trials[$row['id']]];
        }

        return array_values($rows);
    }

    /**
     * When each test of a side was last taken cleanly, of those that were not since the moment that readings count from.
     *
     * @param list<Row> $rows what was taken since
     * @param array<string, string> $known
     *
     * @return list<array<string, mixed>> kind, side and when
     */
    private function lastClean(array $rows, array $known): array
    {
        $since = [];
        foreach ($rows as [$row]) {
            if (1 === (int) $row['is_clean']) {
                $since["$row[kind] $row[side]"] = true;
            }
        }

        return $this->connection->fetchAllAssociative(
            "SELECT t.kind, t.side, MAX(t.at) AS at FROM test t WHERE t.practitioner_id = :p AND t.at < :since AND CONCAT(t.kind, ' ', t.side) NOT IN (:clean) AND t.is_clean = 1 AND ".self::UNCORRECTED.' GROUP BY t.kind, t.side',
            $known + ['clean' => ['', ...array_keys($since)]],
            ['clean' => ArrayParameterType::STRING],
        );
    }

    /**
     * @param array<string, mixed> $row
     * @param non-empty-list<array{array<string, float>, array<string, float>}> $trials
     */
    private function taken(array $row, array $trials, \DateTimeImmutable $at): TakenTest
    {
        $errors = [];
        foreach ($trials as [, $own]) {
            foreach ($own as $name => $sd) {
                $errors[$name] = max($sd, $errors[$name] ?? 0.0);
            }
        }

        return new TakenTest(
            $row['kind'],
            Side::from($row['side']),
            Tool::tryFrom($row['tool']) ?? Tool::Tape,
            array_column($trials, 0),
            json_decode($row['compensations'], true),
            new Pain((int) $row['pain_level'], PainPlace::from($row['pain_place']), PainKind::from($row['pain_kind'])),
            $at,
            new Sitting((float) $row['seat']),
            null === $row['resting'] ? null : (bool) $row['resting'],
            $errors,
            $at,
            null === $row['warm'] ? null : (bool) $row['warm'],
        );
    }

    /** @return array<string, array{string|null, \DateTimeImmutable}> of each entry that corrects or was corrected: what it corrects, and when it was made */
    private function corrections(Practitioner $practitioner): array
    {
        $corrections = [];
        $rows = $this->connection->iterateAssociative('SELECT t.entry_id, t.corrects, t.at FROM test t WHERE t.practitioner_id = :p AND (t.corrects IS NOT NULL OR EXISTS (SELECT 1 FROM test c WHERE c.corrects = t.entry_id))', ['p' => $practitioner->id->toBinary()]);
        foreach ($rows as $row) {
            $corrections[$row['entry_id']] = [$row['corrects'], $this->moment($row['at'])];
        }

        return $corrections;
    }

    /**
     * @param array<string, mixed> $row
     * @param array<string, array{string|null, \DateTimeImmutable}> $corrections
     */
    private function first(array $row, array $corrections): \DateTimeImmutable
    {
        $at = $this->moment($row['at']);
        for ($corrects = $row['corrects']; is_string($corrects) && isset($corrections[$corrects]);) {
            [$corrects, $at] = $corrections[$corrects];
        }

        return $at;
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
