<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Plan\Rule\WarmUpFirst;

/** How the time of one session is shared out, in seconds: common practice. */
final readonly class SessionBudget
{
    /** Of the time, so much is for warming up, within these seconds. */
    private const WARM_UP = 0.15;
    private const WARM_UP_MOST = 600;
    private const REST = 0.08;
    private const REST_LEAST = 60;
    private const REST_MOST = 300;
    /** Of the time, so much is used; below the other share somebody has to say why. */
    private const USED = 0.98;
    private const LEAST_USED = 0.9;

    public int $seconds;

    public function __construct(private int $minutes)
    {
        $this->seconds = 60 * $minutes;
    }

    /** @param int $reading seconds in which a number is read: with what the person says on arriving it is part of it */
    public function warmUp(int $reading): int
    {
        return (int) max(
            WarmUpFirst::least($this->minutes) + $reading,
            min(self::WARM_UP_MOST, self::WARM_UP * $this->seconds),
        );
    }

    /** Reading the number again is part of it. */
    public function rest(): int
    {
        return (int) max(self::REST_LEAST, min(self::REST_MOST, self::REST * $this->seconds));
    }

    /** What may stay free without a word. */
    public function spare(): int
    {
        return (int) ((1.0 - self::USED) * $this->seconds);
    }

    /** Whether so much is left that somebody has to say why. */
    public function isTooMuch(int $empty): bool
    {
        return $empty > $this->seconds - (int) round(self::LEAST_USED * $this->seconds);
    }
}
