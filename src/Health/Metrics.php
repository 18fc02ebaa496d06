<?php

declare(strict_types=1);

namespace LucidAscent\App\Health;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception;
use LucidAscent\App\Audit\AuditTrail;
use LucidAscent\App\Database\MomentType;
use Psr\Clock\ClockInterface;

/**
 * What a machine says of itself to whoever watches it, in Prometheus' text format (0.0.4). Nobody is named, and no
 * number is of fewer people than a whole installation has.
 */
final readonly class Metrics
{
    /** Logs that came in since then. */
    private const OF_LATE = '1 hour';

    public function __construct(
        private Connection $connection,
        private NodeState $state,
        private AuditTrail $trail,
        private ClockInterface $clock,
    ) {
    }

    public function text(): string
    {
        $text = $this->counted();
        try {
            foreach ($this->state->status() as $name => $value) {
                $number = match ($value) {
                    'ON' => '1',
                    'OFF' => '0',
                    default => is_numeric($value) ? $value : 'NaN',
                };
                $text .= self::one('database_'.strtolower($name), 'gauge', 'As the database says it.', $number);
            }
            $text .= $this->ofRecords();
            $isUp = '1';
        } catch (Exception) {
            $isUp = '0';
        }

        return $text.self::one('database_up', 'gauge', 'Whether the database answers.', $isUp);
    }

    private function ofRecords(): string
    {
        $now = $this->clock->now();
        $backup = $this->trail->lastBackup();
        $row = (array) $this->connection->fetchAssociative(
            'SELECT COUNT(*) AS came, COALESCE(SUM(DATEDIFF(at, practised_on) > 1), 0) AS late
             FROM session_log WHERE at >= ?',
            [$now->modify('-'.self::OF_LATE)],
            [MomentType::NAME],
        );

        return self::one(
            'backup_age_seconds',
            'gauge',
            'Since everything was last copied; not a number when it never was.',
            null === $backup ? 'NaN' : (string) ($now->getTimestamp() - $backup->getTimestamp()),
        ).
            self::one('logs_of_the_last_hour', 'gauge', 'Logs of sessions that came in.', (string) $row['came']).
            self::one(
                'logs_late_of_the_last_hour',
                'gauge',
                'Those of them that had waited on their device for a day and longer.',
                (string) $row['late'],
            );
    }

    private function counted(): string
    {
        $lines = ['answers' => '', 'seconds' => '', 'anew' => ''];
        $within = $micros = [];
        foreach (Counted::all() as $name => $number) {
            $part = explode(' ', $name);
            match ($part[0]) {
                'answers' => $lines['answers'] .= sprintf(
                    "ascent_answers_total{route=\"%s\",class=\"%s\"} %d\n",
                    $part[1],
                    $part[2],
                    $number,
                ),
                'anew' => $lines['anew'] .= "ascent_begun_anew_total{why=\"{$part[1]}\"} $number\n",
                'micros' => $micros[$part[1]] = $number,
                default => $within[$part[1]][$part[2]] = $number,
            };
        }
        foreach ($within as $route => $numbers) {
            $sum = 0;
            foreach (Counted::WITHIN as $most) {
                $sum += $numbers[(string) $most] ?? 0;
                $lines['seconds'] .= "ascent_answer_seconds_bucket{route=\"$route\",le=\"$most\"} $sum\n";
            }
            $sum += $numbers['longer'] ?? 0;
            $lines['seconds'] .= "ascent_answer_seconds_bucket{route=\"$route\",le=\"+Inf\"} $sum\n".
                sprintf("ascent_answer_seconds_sum{route=\"%s\"} %.6F\n", $route, ($micros[$route] ?? 0) / 1e6).
                "ascent_answer_seconds_count{route=\"$route\"} $sum\n";
        }

        return self::head('answers_total', 'counter', 'Requests, by route and class of answer.').$lines['answers'].
            self::head('answer_seconds', 'histogram', 'How long they took.').$lines['seconds'].
            self::head('begun_anew_total', 'counter', 'Requests that others or a lost node kept from being written.').
            $lines['anew'];
    }

    private static function head(string $name, string $kind, string $says): string
    {
        return "# HELP ascent_$name $says\n# TYPE ascent_$name $kind\n";
    }

    private static function one(string $name, string $kind, string $says, string $number): string
    {
        return self::head($name, $kind, $says)."ascent_$name $number\n";
    }
}
