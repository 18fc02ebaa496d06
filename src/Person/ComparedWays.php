<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\FeltInRung;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\WaysCompared;
use LucidAscent\App\Entity\WayTried;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Practice\TwoWays;
use Symfony\Contracts\Translation\TranslatorInterface;

/** What somebody tries in two ways: whose turn it is, what came of it, and what a session says of it. */
final readonly class ComparedWays
{
    public function __construct(private Records $records, private TranslatorInterface $translator)
    {
    }

    /**
     * @return list<array{of: WaysCompared, tried: list<array{entry: WayTried, felt: list<string>}>, ways: TwoWays,
     *     next: int|null}> the newest first; next is null where it is over
     */
    public function all(Practitioner $practitioner): array
    {
        $tried = [];
        foreach (array_reverse($this->records->waysTried($practitioner)) as $entry) {
            $tried[(string) $entry->compared][] = $entry;
        }
        $felt = $this->records->felt($practitioner);
        $all = $rungs = [];
        foreach ($this->records->waysCompared($practitioner) as $of) {
            $entries = $tried[(string) $of->id] ?? [];
            $numbers = array_values(
                array_filter($entries, static fn (WayTried $one): bool => null !== $one->number),
            );
            $ways = new TwoWays(
                array_map(static fn (WayTried $one): array => [$one->way, (float) $one->number], $numbers),
            );
            $isStopped = count($numbers) < count($entries);
            // One of a rung and side at a time: a newer one ends the older.
            $place = "$of->posture/$of->rung {$of->side->value}";
            $all[] = [
                'of' => $of,
                'tried' => array_map(
                    static fn (WayTried $one): array => ['entry' => $one, 'felt' => self::felt($felt, $of, $one)],
                    $numbers,
                ),
                'ways' => $ways,
                'next' => $isStopped || isset($rungs[$place]) ? null : $ways->next(),
            ];
            $rungs[$place] = true;
        }

        return $all;
    }

    /**
     * The items of a session, each with the way whose turn it is.
     *
     * @param list<array<string, mixed>> $items
     * @param array<string, int> $ahead how many sessions before this one will have had a turn, by comparison
     *
     * @return list<array<string, mixed>>
     */
    public function into(array $items, Practitioner $practitioner, array &$ahead = []): array
    {
        foreach ($this->all($practitioner) as ['of' => $of, 'ways' => $ways, 'next' => $next]) {
            $id = (string) $of->id;
            $turn = null === $next ? null : $ways->next($ahead[$id] ?? 0);
            $isIn = false;
            foreach ($items as $i => $item) {
                if (
                    null !== $turn
                    && $item['posture'] === $of->posture
                    && $item['rung'] === $of->rung
                    && null === $item['drill']
                    && in_array($item['side'], [$of->side->value, 'both'], true)
                ) {
                    $isIn = true;
                    $said = ['way' => $of->way($turn), 'measured' => $of->measured];
                    array_unshift($items[$i]['position'], $this->translator->trans('ways.today', $said));
                }
            }
            $ahead[$id] = ($ahead[$id] ?? 0) + (int) $isIn;
        }

        return $items;
    }

    /**
     * @param list<FeltInRung> $all
     *
     * @return list<string> places that were named on that day, in that rung and on that side
     */
    private static function felt(array $all, WaysCompared $of, WayTried $one): array
    {
        $places = [];
        foreach ($all as $felt) {
            if (
                $felt->posture === $of->posture
                && $felt->rung === $of->rung
                && in_array($felt->side, [$of->side, null], true)
                && $felt->feltOn->format('Y-m-d') === $one->triedOn->format('Y-m-d')
            ) {
                $places[] = $felt->felt;
            }
        }

        return array_values(array_unique($places));
    }
}
