<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\RepeatedMeasure;
use LucidAscent\Core\Testing\SmallestChange;

/**
 * What one session does from its beginning to its end: warm tissue, which is gone by the next morning, and no progress.
 */
final readonly class WithinSession
{
    /** Fewer tell no more than that day. */
    public const LEAST = 3;

    /**
     * @param float $mean after less before, in the reading's unit
     * @param float $error one SD of that mean
     */
    private function __construct(
        public int $sessions,
        public float $mean,
        public float $error,
        public Reason $because,
    ) {
    }

    /**
     * @param list<array{float, float}> $sessions what was read before and after
     * @param float $tool one SD of a reading
     *
     * @return self|null null where no session was read twice
     */
    public static function of(array $sessions, float $tool): ?self
    {
        if ([] === $sessions) {
            return null;
        }
        $changes = new RepeatedMeasure(array_map(static fn (array $one): float => $one[1] - $one[0], $sessions));
        $error = $changes->error(M_SQRT2 * $tool) / sqrt(count($sessions));
        $numbers = [
            'sessions' => count($sessions),
            'change' => $changes->mean(),
            'noise' => SmallestChange::between($error),
        ];

        return new self(
            count($sessions),
            $changes->mean(),
            $error,
            new Reason(
                match (true) {
                    count($sessions) < self::LEAST => 'within.few',
                    abs($changes->mean()) > SmallestChange::between($error) => 'within.warm',
                    default => 'within.nothing',
                },
                Source::Computed,
                $numbers,
            ),
        );
    }
}
