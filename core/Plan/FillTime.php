<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/**
 * Gentle shapes held longer, all in the same proportion and each as long as it may be at most, until the time is used.
 * What is deep keeps the hold with which it begins: it grows by what was reached, and by nothing else.
 */
final readonly class FillTime
{
    public const GRAIN = 5;
    private const STEPS = 44;

    /**
     * @param list<PlannedItem> $items of a session
     * @param int $seconds that are left
     * @param list<string> $short postures that keep the hold with which they begin
     *
     * @return list<PlannedItem>
     */
    public static function of(array $items, int $seconds, Dose $dose, array $short = []): array
    {
        $most = self::mayGrow($items, $dose, $short);
        $total = static fn (float $times): float => array_sum(array_map(static fn (PlannedItem $item): float => $item->seconds * min($times, self::times($item, $most)), $items));
        $budget = $total(1.0) + $seconds;
        [$low, $high] = [1.0, max([1.0, ...array_values($most)])];
        if ($total($high) <= $budget) {
            $low = $high;
        }
        for ($step = 0; $step < self::STEPS && $low < $high; ++$step) {
            $middle = ($low + $high) / 2.0;
            $total($middle) <= $budget ? $low = $middle : $high = $middle;
        }

        return array_map(static fn (PlannedItem $item): PlannedItem => ($times = self::times($item, $most)) > 1.0 ? $item->lasting(self::grain($item->seconds * min($low, $times))) : $item, $items);
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

        return (int) array_sum(array_map(static fn (PlannedItem $item): float => $item->seconds * (self::times($item, $most) - 1.0), $items));
    }

    /** Seconds as a teacher would say them. */
    public static function grain(float $seconds): int
    {
        return max(self::GRAIN, (int) floor($seconds / self::GRAIN + 1e-6) * self::GRAIN);
    }

    /**
     * @param array<string, float> $most
     */
    private static function times(PlannedItem $item, array $most): float
    {
        return Phase::Work === $item->phase ? $most[$item->rung->posture] ?? 1.0 : 1.0;
    }

    /**
     * All work on a posture together, so that its sides keep their proportion: until its longest hold is as long as it may be.
     *
     * @param list<PlannedItem> $items
     * @param list<string> $short
     *
     * @return array<string, float> how many times as long, by posture
     */
    private static function mayGrow(array $items, Dose $dose, array $short): array
    {
        $most = $deep = [];
        foreach ($items as $item) {
            $posture = $item->rung->posture;
            if (Phase::Work !== $item->phase) {
                continue;
            }
            $most[$posture] = min($most[$posture] ?? \INF, max(1.0, (PlannedSession::CHANGE + $dose->most($item->rung)) / $item->seconds));
            if (!$item->rung->rung->isGentle()) {
                $deep[$posture] = true;
            }
        }

        return array_diff_key($most, $deep, array_flip($short));
    }
}
