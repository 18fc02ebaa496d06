<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/**
 * Gentle shapes held longer, each as long as it may be at most, until the time is used. Minutes in one shape count by
 * their square root, so that a second one is worth less than the first: what is worth alike is held alike, and what is
 * worth more is held longer by the square of that. What is deep keeps the hold with which it begins: it grows by what
 * was reached, and by nothing else.
 */
final readonly class FillTime
{
    public const GRAIN = 5;
    private const STEPS = 44;

    /**
     * @param list<PlannedItem> $items of a session
     * @param int $seconds that are left
     * @param list<string> $short keys of what keeps the hold with which it begins
     * @param array<string, float> $worth what a minute in it is worth, by key; 1 where nobody says
     *
     * @return list<PlannedItem>
     */
    public static function of(array $items, int $seconds, Dose $dose, array $short = [], array $worth = []): array
    {
        $most = self::mayGrow($items, $dose, $short);
        $longest = $total = [];
        foreach ($items as $item) {
            if (Phase::Work === $item->phase && isset($most[$item->key()])) {
                $longest[$item->key()] = max($longest[$item->key()] ?? 0, $item->seconds);
                $total[$item->key()] = ($total[$item->key()] ?? 0) + $item->seconds;
            }
        }
        $share = array_map(static fn (string $key): float => ($worth[$key] ?? 1.0) ** 2, array_combine(array_keys($longest), array_keys($longest)));
        // So many times as long is each at a level of time for what is worth 1.
        $times = static fn (float $level, string $key): float => min($most[$key], max(1.0, $level * $share[$key] / $longest[$key]));
        $used = static fn (float $level): float => array_sum(array_map(static fn (string $key): float => $total[$key] * $times($level, $key), array_keys($total)));
        $budget = array_sum($total) + $seconds;
        $low = 0.0;
        $high = max([0.0, ...array_map(static fn (string $key): float => $longest[$key] * $most[$key] / $share[$key], array_keys($longest))]);
        if ($used($high) <= $budget) {
            $low = $high;
        }
        for ($step = 0; $step < self::STEPS && $high - $low > 1e-6; ++$step) {
            $middle = ($low + $high) / 2.0;
            $used($middle) <= $budget ? $low = $middle : $high = $middle;
        }

        return array_map(static fn (PlannedItem $item): PlannedItem => Phase::Work === $item->phase && isset($longest[$item->key()]) && ($more = $times($low, $item->key())) > 1.0 ? $item->lasting(self::grain($item->seconds * $more)) : $item, $items);
    }

    /**
     * @param list<PlannedItem> $items
     * @param list<string> $short
     *
     * @return int seconds that they could take beside what they have
     */
    public static function room(array $items, Dose $dose, array $short = []): int
    {
        $most = self::mayGrow($items, $dose, $short);

        return (int) array_sum(array_map(static fn (PlannedItem $item): float => Phase::Work === $item->phase ? $item->seconds * (($most[$item->key()] ?? 1.0) - 1.0) : 0.0, $items));
    }

    /** Seconds as a teacher would say them. */
    public static function grain(float $seconds): int
    {
        return max(self::GRAIN, (int) floor($seconds / self::GRAIN + 1e-6) * self::GRAIN);
    }

    /**
     * All work on a posture together, so that its sides keep their proportion: until its longest hold is as long as it may be.
     *
     * @param list<PlannedItem> $items
     * @param list<string> $short
     *
     * @return array<string, float> how many times as long, by key
     */
    private static function mayGrow(array $items, Dose $dose, array $short): array
    {
        $most = $deep = [];
        foreach ($items as $item) {
            if (Phase::Work !== $item->phase) {
                continue;
            }
            $key = $item->key();
            $most[$key] = min($most[$key] ?? \INF, max(1.0, $item->most($dose) / $item->seconds));
            if (!$item->rung->rung->isGentle()) {
                $deep[$key] = true;
            }
        }

        return array_diff_key($most, $deep, array_flip($short));
    }
}
