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

    /**
     * @param list<PlannedItem> $items of a session
     * @param int $seconds that are left
     * @param list<string> $short keys of what keeps the hold with which it begins
     * @param array<string, float> $worth what a minute in it is worth, by key; 1 where nobody says
     * @param array<string, float> $longest seconds that one hold of it may last on that day, by key; as its range has
     *     it where nobody says
     *
     * @return list<PlannedItem>
     */
    public static function of(
        array $items,
        int $seconds,
        Dose $dose,
        array $short = [],
        array $worth = [],
        array $longest = [],
    ): array {
        $most = self::mayGrow($items, $dose, $short, $longest);
        $now = $total = [];
        foreach ($items as $item) {
            if (Phase::Work === $item->phase && isset($most[$item->key()])) {
                $now[$item->key()] = max($now[$item->key()] ?? 0, $item->seconds);
                $total[$item->key()] = ($total[$item->key()] ?? 0) + $item->seconds;
            }
        }
        $share = array_map(
            static fn (string $key): float => ($worth[$key] ?? 1.0) ** 2,
            array_combine(array_keys($now), array_keys($now)),
        );
        // So many times as long is each at a level of time for what is worth 1.
        $times = static fn (float $level, string $key): float => min(
            $most[$key],
            max(1.0, ($level * $share[$key]) / $now[$key]),
        );
        $used = static fn (float $level): float => array_sum(
            array_map(static fn (string $key): float => $total[$key] * $times($level, $key), array_keys($total)),
        );
        $budget = array_sum($total) + $seconds;
        $low = self::level($now, $most, $share, $used, $budget);

        return array_map(
            static fn (PlannedItem $item): PlannedItem => Phase::Work === $item->phase
            && isset($now[$item->key()])
            && ($more = $times($low, $item->key())) > 1.0
                ? $item->lasting(max($item->seconds, self::grain($item->seconds * $more)))
                : $item,
            $items,
        );
    }

    /**
     * The level at which the time is used: between the levels where something begins to be held longer, or is as long
     * as it may be, what is used rises in a straight line.
     *
     * @param array<string, int> $longest by key
     * @param array<string, float> $most likewise
     * @param array<string, float> $share likewise
     * @param callable(float): float $used seconds at a level
     */
    private static function level(array $longest, array $most, array $share, callable $used, int $budget): float
    {
        $bends = [0.0];
        foreach ($longest as $key => $seconds) {
            array_push($bends, $seconds / $share[$key], ($seconds * $most[$key]) / $share[$key]);
        }
        sort($bends);
        [$below, $above] = [0, count($bends) - 1];
        if ($used($bends[$above]) <= $budget) {
            return $bends[$above];
        }
        while ($above - $below > 1) {
            $middle = intdiv($below + $above, 2);
            $used($bends[$middle]) <= $budget ? ($below = $middle) : ($above = $middle);
        }
        [$from, $to] = [$used($bends[$below]), $used($bends[$above])];

        return $bends[$below] + ($bends[$above] - $bends[$below]) * max(0.0, ($budget - $from) / ($to - $from));
    }

    /**
     * @param list<PlannedItem> $items
     * @param list<string> $short
     * @param array<string, float> $longest
     *
     * @return int seconds that they could take beside what they have
     */
    public static function room(array $items, Dose $dose, array $short = [], array $longest = []): int
    {
        $most = self::mayGrow($items, $dose, $short, $longest);

        return (int) array_sum(
            array_map(
                static fn (PlannedItem $item): float => Phase::Work === $item->phase
                    ? $item->seconds * (($most[$item->key()] ?? 1.0) - 1.0)
                    : 0.0,
                $items,
            ),
        );
    }

    /** Seconds as a teacher would say them. */
    public static function grain(float $seconds): int
    {
        return max(self::GRAIN, (int) floor($seconds / self::GRAIN + 1e-6) * self::GRAIN);
    }

    /**
     * All work on a posture together, so that its sides keep their proportion: until its longest hold is as long as it
     * may be.
     *
     * @param list<PlannedItem> $items
     * @param list<string> $short
     * @param array<string, float> $longest
     *
     * @return array<string, float> how many times as long, by key
     */
    private static function mayGrow(array $items, Dose $dose, array $short, array $longest): array
    {
        $most = $deep = [];
        foreach ($items as $item) {
            if (Phase::Work !== $item->phase) {
                continue;
            }
            $key = $item->key();
            $may = min($item->most($dose), PlannedSession::CHANGE + ($longest[$key] ?? \INF));
            $most[$key] = min($most[$key] ?? \INF, max(1.0, $may / $item->seconds));
            if (!$item->rung->rung->isForAnybody()) {
                $deep[$key] = true;
            }
        }

        return array_diff_key($most, $deep, array_flip($short));
    }
}
