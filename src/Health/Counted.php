<?php

declare(strict_types=1);

namespace LucidAscent\App\Health;

/**
 * What this machine's workers have done since they were started, in the memory that they share: numbers and names of
 * routes, and nothing of anybody.
 */
final class Counted
{
    /** Up to so many seconds an answer took. */
    public const WITHIN = [0.05, 0.1, 0.2, 0.3, 0.5, 1.0, 2.0, 5.0, 10.0];

    private const OURS = 'counted ';

    /** @param string|null $route null when the request came to none */
    public static function answered(?string $route, int $status, float $seconds): void
    {
        if (!self::isThere()) {
            return;
        }
        $route ??= 'none';
        apcu_inc(self::OURS."answers $route ".intdiv($status, 100).'xx');
        apcu_inc(self::OURS."micros $route", (int) round(1e6 * $seconds));
        foreach (self::WITHIN as $within) {
            if ($seconds <= $within) {
                apcu_inc(self::OURS."within $route $within");

                return;
            }
        }
        apcu_inc(self::OURS."within $route longer");
    }

    /** A request that was begun anew, and why. */
    public static function begunAnew(string $why): void
    {
        if (self::isThere()) {
            apcu_inc(self::OURS."anew $why");
        }
    }

    public static function sawDatabase(): void
    {
        if (self::isThere()) {
            apcu_store(self::OURS.'database', microtime(true));
        }
    }

    /** @return float|null in seconds; null when nobody has asked it yet */
    public static function sinceDatabase(): ?float
    {
        $at = self::isThere() ? apcu_fetch(self::OURS.'database') : false;

        return is_float($at) ? microtime(true) - $at : null;
    }

    /** @return array<string, int> by what was counted and what tells it from others, with blanks between */
    public static function all(): array
    {
        $all = [];
        if (self::isThere()) {
            foreach (new \APCUIterator('/^'.self::OURS.'(answers|micros|within|anew) /') as $name => $one) {
                $all[substr($name, strlen(self::OURS))] = (int) $one['value'];
            }
        }
        ksort($all);

        return $all;
    }

    private static function isThere(): bool
    {
        return function_exists('apcu_enabled') && apcu_enabled();
    }
}
