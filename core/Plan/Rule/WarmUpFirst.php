<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Nobody works cold (common practice): five minutes before any work, three in a session of under 25. */
final class WarmUpFirst implements SessionRule
{
    private const SECONDS = 300;
    private const SHORT_SECONDS = 180;
    private const SHORT_SESSION = 25;

    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $least = self::least($minutes);
        $warm = 0;
        $hasWorked = false;
        foreach ($session->items as $item) {
            if (Phase::WarmUp === $item->phase) {
                if ($hasWorked) {
                    return [new Reason('rule.warm-up-first', Source::Trade)];
                }
                $warm += $item->seconds;
            }
            if (Phase::Work === $item->phase) {
                $hasWorked = true;
                if ($warm < $least) {
                    return [new Reason('rule.warm-up', Source::Trade, ['minutes' => intdiv($least, 60)])];
                }
            }
        }

        return [];
    }

    /** The least seconds of warm-up in a session of so many minutes. */
    public static function least(int $minutes): int
    {
        return $minutes < self::SHORT_SESSION ? self::SHORT_SECONDS : self::SECONDS;
    }
}
