<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use LucidAscent\App\Catalogue\Catalogue;

/**
 * The readings and logs of a record as a table: UTF-8, RFC 4180, one header row with units in it. A trial, a check and
 * an item of a session is a row each.
 */
final readonly class RecordTable
{
    private const FIRST = ['record', 'id', 'on', 'test or posture', 'rung', 'side', 'trial', 'tool', 'seat (cm)'];
    private const LAST = [
        'prop height (cm)',
        'held (minutes)',
        'hold reached (yes/no)',
        'even breath (yes/no)',
        'compensations',
        'pain level (0-10)',
        'pain place',
        'pain kind',
        'note',
    ];

    public function __construct(private Catalogue $catalogue)
    {
    }

    /** @param array<string, mixed> $record as RecordDocument has it */
    public function csv(array $record): string
    {
        $units = [];
        foreach ($this->catalogue->tests() as $test) {
            foreach ($test->measured as $name => $unit) {
                $units[$name] ??= "$name ($unit)";
            }
        }
        foreach ($record['tests'] as $test) {
            foreach ($test['trials'] as $trial) {
                foreach (array_map(strval(...), array_keys($trial['readings'])) as $name) {
                    $units[$name] ??= "$name (unit of its test)";
                }
            }
        }
        ksort($units);
        $columns = [...self::FIRST, ...array_values($units), ...self::LAST];
        $stream = fopen('php://temp', 'w+');
        if (false === $stream) {
            throw new \RuntimeException('No table can be written.');
        }
        $put = static function (array $row) use ($stream, $columns): void {
            fputcsv(
                $stream,
                array_map(static fn (string $column): string => self::cell($row[$column] ?? ''), $columns),
                ',',
                '"',
                '',
                "\r\n",
            );
        };
        fputcsv($stream, $columns, ',', '"', '', "\r\n");
        foreach ($this->rows($record, $units) as $row) {
            $put($row);
        }
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    /**
     * @param array<string, mixed> $record
     * @param array<string, string> $units columns by what was measured
     *
     * @return iterable<array<string, mixed>>
     */
    private function rows(array $record, array $units): iterable
    {
        foreach ($record['tests'] as $test) {
            foreach ($test['trials'] as $i => $trial) {
                $read = [];
                foreach ($trial['readings'] as $name => $value) {
                    $read[$units[$name]] = $value;
                }
                yield [
                    'record' => 'test',
                    'id' => $test['id'],
                    'on' => $test['at'],
                    'test or posture' => $test['kind'],
                    'side' => $test['side'],
                    'trial' => $i + 1,
                    'tool' => $test['tool'],
                    'seat (cm)' => $test['seat'],
                    'note' => $test['note'],
                ] +
                    $read +
                    self::said($test);
            }
        }
        foreach ($record['checks'] as $check) {
            yield [
                'record' => 'check',
                'id' => $check['id'],
                'on' => $check['practisedOn'],
                'test or posture' => $check['ladder'],
                'rung' => $check['rung'],
                'side' => $check['side'],
                'prop height (cm)' => $check['propHeight'],
                'hold reached (yes/no)' => $check['holdReached'],
                'even breath (yes/no)' => $check['evenBreath'],
                'note' => $check['note'],
            ] + self::said($check);
        }
        foreach ($record['logs'] as $log) {
            foreach ($log['items'] as $i => $item) {
                $seconds = $item['seconds'] ?? null;
                yield [
                    'record' => 'session',
                    'id' => $log['id'],
                    'on' => $log['practisedOn'],
                    'test or posture' => $item['drill'] ?? ($item['posture'] ?? ''),
                    'rung' => $item['rung'] ?? '',
                    'side' => $item['side'] ?? '',
                    'trial' => $i + 1,
                    'held (minutes)' => is_numeric($seconds) ? round($seconds / 60, 2) : '',
                    'hold reached (yes/no)' => $item['holdReached'] ?? '',
                    'even breath (yes/no)' => $item['evenBreath'] ?? '',
                    'note' => $item['note'] ?? '',
                ] + self::said($item);
            }
        }
    }

    /**
     * @param array<string, mixed> $of
     *
     * @return array<string, mixed>
     */
    private static function said(array $of): array
    {
        $pain = is_array($of['pain'] ?? null) ? $of['pain'] : [];

        return [
            'compensations' => implode('; ', array_filter((array) ($of['compensations'] ?? []), is_string(...))),
            'pain level (0-10)' => $pain['level'] ?? '',
            'pain place' => $pain['place'] ?? '',
            'pain kind' => $pain['kind'] ?? '',
        ];
    }

    /** What begins as a formula does in a spreadsheet is text here. */
    private static function cell(mixed $value): string
    {
        $text = is_bool($value) ? ($value ? 'yes' : 'no') : (is_scalar($value) ? (string) $value : '');

        return is_string($value) && 1 === preg_match('/^[=+\-@\t\r]/', $text) ? "'$text" : $text;
    }
}
