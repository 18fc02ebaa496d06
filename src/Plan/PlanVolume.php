<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedItem;

/** Minutes of work by component, side and week: as planned, and as they were logged. */
final readonly class PlanVolume
{
    private const MINUTE = 60;

    public function __construct(private Catalogue $catalogue, private PractisedMinutes $practised)
    {
    }

    /**
     * @param list<SessionLog> $logs
     *
     * @return array<string, list<array{left: array{planned: float, done: float}, right: array{planned: float,
     *     done: float}}>> minutes by component and week
     */
    public function of(Plan $plan, array $logs): array
    {
        $planned = $done = $total = $weekOf = [];
        foreach ($plan->weeks as $w => $week) {
            foreach ($week->sessions as $session) {
                $weekOf[$session->on->format('Y-m-d')] = $w;
                foreach (
                    array_filter($session->items, static fn (PlannedItem $item): bool => $item->isWork()) as $item
                ) {
                    foreach ($this->catalogue->postures()[$item->rung->posture]->abilities ?? [] as $ability) {
                        foreach ($item->sides() as $side) {
                            $key = "$ability->value $w $side->value";
                            $planned[$key] = ($planned[$key] ?? 0.0) + $item->seconds / self::MINUTE;
                            $total[$ability->value] = ($total[$ability->value] ?? 0.0) + $item->seconds / self::MINUTE;
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

        return array_map(
            static fn (string $ability): array => array_map(
                static fn (int $w): array => [
                    'left' => $side("$ability $w left"),
                    'right' => $side("$ability $w right"),
                ],
                array_keys($plan->weeks),
            ),
            array_combine(array_keys($total), array_keys($total)),
        );
    }
}
