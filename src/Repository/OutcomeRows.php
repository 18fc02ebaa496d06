<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\Connection;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\Core\Progress\Movement;
use LucidAscent\Core\Progress\RecordedForecast;

/** What was kept of people's progress when their assessments ended, as rows. */
final readonly class OutcomeRows
{
    /** Of each person the newest assessment that says anything of it. */
    private const NEWEST = 'k.progress IS NOT NULL AND k.at = (
        SELECT MAX(o.at) FROM kept_reading o WHERE o.practitioner_id = k.practitioner_id AND o.progress IS NOT NULL
    )';

    public function __construct(private Connection $connection)
    {
    }

    /**
     * How fast each of a teacher's other people has gone, by their newest assessment that says so.
     *
     * @return array<string, list<array{person: string, month: float, sd: float, start: float}>> by ability
     */
    public function rates(Teacher $teacher, Practitioner $but): array
    {
        $rows = $this->connection->fetchAllAssociative(
            'SELECT HEX(k.practitioner_id) AS person, k.progress FROM kept_reading k JOIN practitioner p ON p.id = k.practitioner_id WHERE p.teacher_id = :teacher AND p.id <> :but AND '.
                self::NEWEST,
            ['teacher' => $teacher->id->toBinary(), 'but' => $but->id->toBinary()],
        );
        $rates = [];
        foreach ($rows as $row) {
            foreach (KeptProgress::rates(json_decode($row['progress'], true)) as $one) {
                $rates[$one['ability']][] = [
                    'person' => $row['person'],
                    'month' => $one['month'],
                    'sd' => $one['sd'],
                    'start' => $one['start'],
                ];
            }
        }

        return $rates;
    }

    /**
     * @return array{movement: Movement, on: \DateTimeImmutable}|null whether somebody gets on, as of the newest
     *     assessment that says so
     */
    public function movement(Practitioner $practitioner): ?array
    {
        $row = $this->connection->fetchAssociative(
            'SELECT k.at, k.progress FROM kept_reading k WHERE k.practitioner_id = :p AND k.progress IS NOT NULL ORDER BY k.at DESC, k.id DESC LIMIT 1',
            ['p' => $practitioner->id->toBinary()],
        );
        $asked =
            false === $row
                ? []
                : array_filter(
                    KeptProgress::rates(json_decode($row['progress'], true)),
                    static fn (array $one): bool => $one['isAsked'],
                );
        $movement = Movement::of(
            array_values(
                array_map(
                    static fn (array $one): array => [
                        'month' => $one['month'],
                        'sd' => $one['sd'],
                        'chance' => $one['chance'],
                    ],
                    $asked,
                ),
            ),
        );

        return false === $row || null === $movement
            ? null
            : [
                'movement' => $movement,
                'on' => $this->connection->convertToPHPValue($row['at'], MomentType::NAME),
            ];
    }

    /**
     * What was foretold at each assessment, the oldest first.
     *
     * @return list<array{ability: string, side: string, posture: string, forecast: RecordedForecast}>
     */
    public function forecasts(Practitioner $practitioner): array
    {
        $forecasts = [];
        foreach (
            $this->connection->fetchAllAssociative(
                'SELECT k.at, k.progress FROM kept_reading k WHERE k.practitioner_id = :p AND k.progress IS NOT NULL ORDER BY k.at, k.id',
                ['p' => $practitioner->id->toBinary()],
            ) as $row
        ) {
            $made = $practitioner->teacher->local(
                $this->connection->convertToPHPValue($row['at'], MomentType::NAME),
            );
            foreach (KeptProgress::forecasts(json_decode($row['progress'], true)) as $one) {
                $forecasts[] = [
                    'ability' => $one['ability'],
                    'side' => $one['side'],
                    'posture' => $one['posture'],
                    'forecast' => new RecordedForecast(
                        $one['asked'],
                        $made,
                        $one['from'],
                        $one['to'],
                        $one['chance'],
                    ),
                ];
            }
        }

        return $forecasts;
    }
}
