<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Practice\Seen;

/**
 * How many times as long as in the beginning a rung is held: a fifth more for each week in which it was practised and
 * reached clean, and from the beginning again after a time when it was not (common practice).
 */
final readonly class Growth
{
    private const STEP = 1.2;
    private const WEEK = 7;

    /** @param list<Seen> $seen in any order */
    public static function of(array $seen, string $posture, string $rung, Side $side): float
    {
        $practised = array_filter($seen, static fn (Seen $one): bool => $one->isPractice && $one->posture === $posture && $one->rung === $rung && $one->side === $side);
        usort($practised, static fn (Seen $a, Seen $b): int => $a->on <=> $b->on);
        $steps = 0;
        $last = null;
        foreach ($practised as $one) {
            if (!$one->isClean) {
                $steps = 0;
                $last = null;
            } elseif (null === $last || Day::between($last, $one->on) >= self::WEEK) {
                ++$steps;
                $last = $one->on;
            }
        }

        return self::STEP ** $steps;
    }
}
