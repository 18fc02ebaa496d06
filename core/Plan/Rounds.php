<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/**
 * Short gentle holds done again, where time is left that no hold may take: the second time in is often the better one,
 * and several bouts make up what one is too short for (common practice).
 */
final class Rounds
{
    /** So often at most, and only what is no longer than so many seconds a side. */
    private const MOST = 3;
    private const SHORT = 130;

    /**
     * @param list<PlannedItem> $items work with its counterposes, in its order
     * @param int $seconds that are left
     *
     * @return list<PlannedItem>
     */
    public static function of(array $items, int $seconds): array
    {
        $rounds = [];
        foreach ($items as $item) {
            if ($item->isWork()) {
                $rounds[$item->key()][] = $item;
            }
        }
        $rounds = array_filter($rounds, self::mayBeAgain(...));
        $again = [];
        for ($round = 1; $round < self::MOST; ++$round) {
            foreach ($rounds as $key => $one) {
                $takes = array_sum(array_map(static fn (PlannedItem $item): int => $item->seconds, $one));
                if ($takes <= $seconds) {
                    $seconds -= $takes;
                    $again[$key] = ($again[$key] ?? 0) + 1;
                }
            }
        }

        return self::with($items, $rounds, $again);
    }

    /** @param list<PlannedItem> $items of one piece of work */
    private static function mayBeAgain(array $items): bool
    {
        foreach ($items as $item) {
            if (
                null !== $item->drill
                || $item->isSet
                || $item->seconds > self::SHORT
                || !$item->rung->rung->isForAnybody()
            ) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<PlannedItem> $items
     * @param array<string, list<PlannedItem>> $rounds by key
     * @param array<string, int> $again how often more, likewise
     *
     * @return list<PlannedItem>
     */
    private static function with(array $items, array $rounds, array $again): array
    {
        $all = [];
        foreach ($items as $i => $item) {
            $all[] = $item;
            $isLast = $item->isWork() && ($items[$i + 1] ?? null)?->key() !== $item->key();
            for ($round = $isLast ? $again[$item->key()] ?? 0 : 0; $round > 0; --$round) {
                array_push($all, ...$rounds[$item->key()]);
            }
        }

        return $all;
    }
}
