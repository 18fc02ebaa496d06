<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\Dose;
use LucidAscent\Core\Plan\FillTime;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PracticeDrill;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** A plan as it is kept, changed by hand item by item, and turned back into what the rules take. */
final readonly class StoredPlan
{
    /** A hold is changed by a fifth at a time. */
    private const STEP = 0.2;

    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * Weeks as they are kept: each item with the shape that is practised in it, a form in the place of its rung, and of what is repeated its position.
     *
     * @param list<array<string, mixed>> $weeks
     *
     * @return list<array<string, mixed>>
     */
    public function kept(array $weeks): array
    {
        foreach ($weeks as $w => $week) {
            foreach ($week['sessions'] as $s => $session) {
                foreach ($session['items'] as $i => $item) {
                    $weeks[$w]['sessions'][$s]['items'][$i]['rung'] = $item['form'] ?? $item['rung'] ?? $this->catalogue->drills()[$item['drill'] ?? '']->uses->rung->id ?? '';
                }
            }
        }

        return $weeks;
    }

    /** @param array<string, mixed> $session */
    public function session(array $session, ?Dose $dose = null): PlannedSession
    {
        return new PlannedSession(new \DateTimeImmutable($session['date'], new \DateTimeZone('UTC')), array_values(array_filter(array_map($this->item(...), $session['items']))), dose: $dose);
    }

    /**
     * An item held no longer than at the beginning.
     *
     * @param array<string, mixed> $item
     *
     * @return array<string, mixed>
     */
    public function begun(array $item, Dose $dose): array
    {
        return self::with($item, $this->item($item)?->begun($dose), $dose);
    }

    /** @param array<string, mixed> $item */
    public function item(array $item): ?PlannedItem
    {
        $rung = $this->rung($item['posture'], $item['rung']);
        $drill = $this->catalogue->drills()[$item['drill'] ?? ''] ?? null;
        // A drill that there is no more, or that is done in another position now, is nothing that anybody has planned.
        $isGone = isset($item['drill']) && (null === $drill || [$drill->uses->posture, $drill->uses->rung->id] !== [$item['posture'], $item['rung']]);

        return null === $rung || $isGone ? null : new PlannedItem($rung, Phase::from($item['phase']), Side::tryFrom($item['side']), $item['seconds'], new Reason('plan.by-hand', Source::Own), $drill, $item['set'] ?? false);
    }

    /** A rung, or a form beside one. */
    public function rung(string $posture, string $rung): ?PracticeRung
    {
        return PracticeRung::named("$posture/$rung", $this->catalogue->practice());
    }

    /**
     * The session with all work on a posture, and its counterpose, moved, held longer or shorter, replaced by the rung
     * above or below, locked or taken out.
     *
     * @param array<string, mixed> $session
     *
     * @return array<string, mixed>
     */
    public function changed(array $session, int $at, string $change, Dose $dose): array
    {
        [$from, $length] = self::block($session['items'], $at);
        $block = array_slice($session['items'], $from, $length);
        $rest = [...array_slice($session['items'], 0, $from), ...array_slice($session['items'], $from + $length)];
        switch ($change) {
            case 'skip':
                break;
            case 'earlier':
            case 'later':
                $to = 'earlier' === $change
                    ? ($from > 0 ? self::block($session['items'], $from - 1)[0] : 0)
                    : $from + (isset($session['items'][$from + $length]) ? self::block($session['items'], $from + $length)[1] : 0);
                $rest = [...array_slice($rest, 0, $to), ...$block, ...array_slice($rest, $to)];
                break;
            case 'longer':
            case 'shorter':
                $rest = [...array_slice($rest, 0, $from), ...array_map(fn (array $item): array => 'work' === $item['phase'] ? $this->lasting($item, (int) ceil(('longer' === $change ? 1 : -1) * self::STEP * $item['seconds'] / FillTime::GRAIN) * FillTime::GRAIN, $dose) : $item, $block), ...array_slice($rest, $from)];
                break;
            case 'easier':
            case 'harder':
                $rest = [...array_slice($rest, 0, $from), ...array_map(fn (array $item): array => 'work' === $item['phase'] ? $this->other($item, 'harder' === $change ? 1 : -1, $dose) : $item, $block), ...array_slice($rest, $from)];
                break;
            default:
                $rest = [...array_slice($rest, 0, $from), ...array_map(static fn (array $item): array => ['locked' => 'lock' === $change] + $item, $block), ...array_slice($rest, $from)];
        }
        $session['items'] = $rest;
        $session['minutes'] = $this->session($session)->minutes();

        return $session;
    }

    /**
     * @param array<string, mixed> $item
     *
     * @return array<string, mixed>
     */
    private function lasting(array $item, int $more, Dose $dose): array
    {
        $planned = $this->item($item);
        $longer = $planned?->lasting(max(FillTime::GRAIN, $planned->seconds + $more));

        return self::with($item, $longer, $dose);
    }

    /**
     * @param array<string, mixed> $item
     *
     * @return array<string, mixed>
     */
    private static function with(array $item, ?PlannedItem $planned, Dose $dose): array
    {
        return (null === $planned ? [] : ['seconds' => $planned->seconds, 'breaths' => $planned->breaths($dose), 'repetitions' => $planned->repetitions($dose)]) + $item;
    }

    /**
     * All work on a posture, with its counterpose, taken from one session into another, behind what
     * comes before it there.
     *
     * @param array<string, mixed> $from
     * @param array<string, mixed> $to
     *
     * @return array{array<string, mixed>, array<string, mixed>}
     */
    public function moved(array $from, int $at, array $to): array
    {
        [$first, $length] = self::block($from['items'], $at);
        $block = array_splice($from['items'], $first, $length);
        $rank = $this->rung($block[0]['posture'], $block[0]['rung'])?->stance->rank() ?? 0;
        $place = 0;
        foreach ($to['items'] as $i => $item) {
            $isBefore = 'warm-up' === $item['phase'] || ('work' === $item['phase'] && ($this->rung($item['posture'], $item['rung'])?->stance->rank() ?? 0) <= $rank);
            if ($isBefore) {
                $place = $i + self::block($to['items'], $i)[1] - ($i - self::block($to['items'], $i)[0]);
            }
        }
        array_splice($to['items'], $place, 0, $block);
        $from['minutes'] = $this->session($from)->minutes();
        $to['minutes'] = $this->session($to)->minutes();

        return [$from, $to];
    }

    /**
     * Work on one posture stands together, its counterpose behind it.
     *
     * @param list<array<string, mixed>> $items
     *
     * @return array{int, int} where it begins, and how many items it has
     */
    private static function block(array $items, int $at): array
    {
        if ('work' !== $items[$at]['phase'] && 'counter' !== $items[$at]['phase']) {
            return [$at, 1];
        }
        $from = 'counter' === $items[$at]['phase'] ? $at - 1 : $at;
        $key = self::key($items[max(0, $from)]);
        while ($from > 0 && 'work' === $items[$from - 1]['phase'] && self::key($items[$from - 1]) === $key) {
            --$from;
        }
        $to = $from;
        while (isset($items[$to]) && 'work' === $items[$to]['phase'] && self::key($items[$to]) === $key) {
            ++$to;
        }

        return [$from, $to - $from + ('counter' === ($items[$to]['phase'] ?? '') ? 1 : 0)];
    }

    /** @param array<string, mixed> $item */
    private static function key(array $item): string
    {
        return isset($item['drill']) ? PracticeDrill::KEY.$item['drill'] : $item['posture'];
    }

    /**
     * @param array<string, mixed> $item
     *
     * @return array<string, mixed>
     */
    private function other(array $item, int $by, Dose $dose): array
    {
        $ladder = isset($item['drill']) ? [] : $this->catalogue->practice()[$item['posture']] ?? [];
        foreach ($ladder as $i => $rung) {
            $isHere = in_array($item['rung'], array_map(static fn (PracticeRung $one): string => $one->rung->id, [$rung, ...$rung->forms]), true);
            if ($isHere && isset($ladder[$i + $by])) {
                // A hold that was long on one rung is none of the other's; nor is a form of it.
                return $this->begun(['rung' => $ladder[$i + $by]->rung->id] + array_diff_key($item, ['form' => 0]), $dose);
            }
        }

        return $item;
    }
}
