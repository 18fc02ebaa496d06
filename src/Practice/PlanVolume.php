<?php

declare(strict_types=1);

namespace LucidAscent\App\Practice;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\SessionLog;

/** Minutes of work by component, side and week: as planned, and as they were logged. */
final readonly class PlanVolume
{
    private const MINUTE = 60;

    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * What was logged counts with the hold that was planned for that day, if it was reached.
     *
     * @param list<array<string, mixed>> $weeks of a plan
     * @param list<SessionLog> $logs
     *
     * @return array<string, list<array{left: array{planned: float, done: float}, right: array{planned: float, done: float}}>> minutes by component and week
     */
    public function of(array $weeks, array $logs): array
    {
        $done = [];
        foreach ($logs as $log) {
            foreach ($log->items as $item) {
                if (true === ($item['holdReached'] ?? false)) {
                    $done[$log->practisedOn->format('Y-m-d')][$item['drill'] ?? "$item[posture]/$item[rung]"][$item['side']] = true;
                }
            }
        }
        $planned = $reached = $total = [];
        foreach ($weeks as $w => $week) {
            foreach ($week['sessions'] as $session) {
                foreach ($session['items'] as $item) {
                    $minutes = $item['seconds'] / self::MINUTE;
                    $isDone = isset($done[$session['date']][$item['drill'] ?? "$item[posture]/$item[rung]"][$item['side']]);
                    foreach ('work' === $item['phase'] ? $this->catalogue->postures()[$item['posture']]->abilities ?? [] : [] as $ability) {
                        foreach ('both' === $item['side'] ? ['left', 'right'] : [$item['side']] as $side) {
                            $key = "$ability->value $w $side";
                            $planned[$key] = ($planned[$key] ?? 0.0) + $minutes;
                            $reached[$key] = ($reached[$key] ?? 0.0) + ($isDone ? $minutes : 0.0);
                            $total[$ability->value] = ($total[$ability->value] ?? 0.0) + $minutes;
                        }
                    }
                }
            }
        }
        arsort($total);
        $side = static fn (string $key): array => ['planned' => $planned[$key] ?? 0.0, 'done' => $reached[$key] ?? 0.0];

        return array_map(static fn (string $ability): array => array_map(static fn (int $w): array => ['left' => $side("$ability $w left"), 'right' => $side("$ability $w right")], array_keys($weeks)), array_combine(array_keys($total), array_keys($total)));
    }
}
