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
    /** Where nothing else takes it, rest may have so much. */
    private const REST_LONGEST = 0.1;
    /** Of the time, so much is used; below the other share somebody has to say why. */
    private const USED = 0.98;
    private const LEAST_USED = 0.9;
    /**
     * So many pieces in so many minutes, two sides of one shape counted as one, counterposes and rest among them: more
     * is no practice, and nobody settles.
     */
    private const PIECES = 16;
    private const PIECES_IN = 45;
    private const PIECES_LEAST = 8;

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

    /** How many pieces there may be. */
    public function pieces(): int
    {
        return max(self::PIECES_LEAST, (int) round((self::PIECES * $this->minutes) / self::PIECES_IN));
    }

    /** Seconds that rest may take beside what it has, where so many are left. */
    public function longerRest(int $empty): int
    {
        $more = min($empty, (int) (self::REST_LONGEST * $this->seconds) - $this->rest());

        return $more < FillTime::GRAIN ? 0 : FillTime::grain($more);
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
