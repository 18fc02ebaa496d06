<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Log\PractisedMinutes;

/** Minutes of work by component, side and week: as planned, and as they were logged. */
final readonly class PlanVolume
{
    private const MINUTE = 60;

    public function __construct(private Catalogue $catalogue, private PractisedMinutes $practised)
    {
    }

    /**
     * @param list<array<string, mixed>> $weeks of a plan
     * @param list<SessionLog> $logs
     *
     * @return array<string, list<array{left: array{planned: float, done: float}, right: array{planned: float, done: float}}>> minutes by component and week
     */
    public function of(array $weeks, array $logs): array
    {
        $planned = $done = $total = $weekOf = [];
        foreach ($weeks as $w => $week) {
            foreach ($week['sessions'] as $session) {
                $weekOf[$session['date']] = $w;
                foreach ($session['items'] as $item) {
                    foreach ('work' === $item['phase'] ? $this->catalogue->postures()[$item['posture']]->abilities ?? [] : [] as $ability) {
                        foreach ('both' === $item['side'] ? ['left', 'right'] : [$item['side']] as $side) {
                            $key = "$ability->value $w $side";
                            $planned[$key] = ($planned[$key] ?? 0.0) + $item['seconds'] / self::MINUTE;
                            $total[$ability->value] = ($total[$ability->value] ?? 0.0) + $item['seconds'] / self::MINUTE;
                        }
                    }
                }
            }
        }
        foreach ($this->practised->of($logs) as $one) {
            foreach (isset($weekOf[$one['on']]) ? $one['abilities'] : [] as $ability) {
                $key = "$ability->value {$weekOf[$one['on']]} {$one['side']->value}";
                $done[$key] = ($done[$key] ?? 0.0) + $one['minutes'];
            }
        }
        arsort($total);
        $side = static fn (string $key): array => ['planned' => $planned[$key] ?? 0.0, 'done' => $done[$key] ?? 0.0];

        return array_map(static fn (string $ability): array => array_map(static fn (int $w): array => ['left' => $side("$ability $w left"), 'right' => $side("$ability $w right")], array_keys($weeks)), array_combine(array_keys($total), array_keys($total)));
    }
}
