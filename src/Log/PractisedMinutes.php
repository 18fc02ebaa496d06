<?php

declare(strict_types=1);

namespace LucidAscent\App\Log;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\PracticeRung;

/**
 * What was practised, by minutes: each item of a log whose hold was reached, as long as it was planned for that day.
 *
 * @phpstan-type Practised array{on: string, side: Side, minutes: float, abilities: list<Ability>, kind: string, isDeep: bool}
 */
final readonly class PractisedMinutes
{
    private const MINUTE = 60;

    public function __construct(private Catalogue $catalogue)
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
            foreach (self::planned($log, $on) as $item) {
                if ('work' !== $item['phase'] || !isset($reached[self::key($item)])) {
                    continue;
                }
                foreach ('both' === $item['side'] ? Side::cases() : [Side::from($item['side'])] as $side) {
                    $practised[] = [
                        'on' => $on,
                        'side' => $side,
                        'minutes' => (float) $item['seconds'] / self::MINUTE,
                        'abilities' => $this->catalogue->postures()[$item['posture']]->abilities ?? [],
                        'kind' => $item['drill'] ?? $item['posture'],
                        'isDeep' => false === PracticeRung::named("$item[posture]/$item[rung]", $this->catalogue->practice())?->rung->isGentle(),
                    ];
                }
            }
        }

        return $practised;
    }

    /** @return list<array<string, mixed>> the items that were planned for a day */
    private static function planned(SessionLog $log, string $on): array
    {
        $items = [];
        foreach ($log->plan->plan['weeks'] ?? [] as $week) {
            foreach ($week['sessions'] as $session) {
                array_push($items, ...($session['date'] === $on ? array_values($session['items']) : []));
            }
        }

        return $items;
    }

    /** @param array<string, mixed> $item */
    private static function key(array $item): string
    {
        return ($item['drill'] ?? "$item[posture]/$item[rung]").' '.$item['side'];
    }
}
