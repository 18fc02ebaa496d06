<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;

/**
 * What was practised, by minutes: each item of a log whose hold was reached, as long as it was planned for that day.
 *
 * @phpstan-type Practised array{on: string, side: Side, minutes: float, abilities: list<Ability>, kind: string,
 *     isDeep: bool}
 */
final readonly class PractisedMinutes
{
    private const MINUTE = 60;

    public function __construct(private Catalogue $catalogue, private StoredPlans $plans)
    {
    }

    /**
     * @param list<SessionLog> $logs
     *
     * @return list<Practised> one a side; kind is a drill or posture by its id
     */
    public function of(array $logs): array
    {
        $practised = [];
        foreach ($logs as $log) {
            $on = $log->practisedOn->format('Y-m-d');
            $reached = [];
            foreach ($log->items as $item) {
                if (true === ($item['holdReached'] ?? false)) {
                    $reached[self::key($item)] = true;
                }
            }
            foreach ($this->planned($log, $on) as $item) {
                $rung = $item->rung;
                $kind = $item->drill?->id;
                $isReached = isset(
                    $reached[($kind ?? "$rung->posture/{$rung->rung->id}").' '.($item->side->value ?? 'both')],
                );
                foreach ($item->isWork() && $isReached ? $item->sides() : [] as $side) {
                    $practised[] = [
                        'on' => $on,
                        'side' => $side,
                        'minutes' => (float) $item->seconds / self::MINUTE,
                        'abilities' => $this->catalogue->postures()[$rung->posture]->abilities ?? [],
                        'kind' => $kind ?? $rung->posture,
                        'isDeep' => isset($this->catalogue->postures()[$rung->posture]) && !$rung->rung->isForAnybody(),
                    ];
                }
            }
        }

        return $practised;
    }

    /** @return list<PlannedItem> what was planned for a day */
    private function planned(SessionLog $log, string $on): array
    {
        $sessions = array_filter(
            $this->plans->plan($log->plan)->sessions(),
            static fn (PlannedSession $session): bool => $session->on->format('Y-m-d') === $on,
        );

        return array_merge(
            ...array_values(array_map(static fn (PlannedSession $session): array => $session->items, $sessions)),
        );
    }

    /** @param array<string, mixed> $item */
    private static function key(array $item): string
    {
        return ($item['drill'] ?? "$item[posture]/$item[rung]").' '.$item['side'];
    }
}
