<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\Statistics\Normal;

/**
 * When a demand will be met, if what was practised goes on: from this person's own rate, shrunk towards what is usual,
 * so that two lucky readings promise nothing.
 */
final readonly class Forecast
{
    /** The range holds the day with this chance. */
    public const CHANCE = 80;
    /** Further than so many days nobody sees. */
    public const FURTHEST = 1095.0;
    private const EARLY = 0.1;
    private const LATE = 0.9;
    private const STEPS = 40;

    /**
     * @param float $from days from now on which it is met at the earliest
     * @param float|null $to at the latest; null when that is further away than anybody sees
     * @param int $chance that it lies between, or after the first, in percent
     */
    private function __construct(public float $from, public ?float $to, public int $chance)
    {
    }

    /**
     * @param float $now the day on which it is asked
     * @param float $asked what is asked for
     *
     * @return self|null null when it is met already, or is as likely as not to stay away as far as anybody sees
     */
    public static function of(Trend $trend, float $now, float $asked, ?Prior $prior = null): ?self
    {
        $level = $trend->at($now);
        $rate = self::rate($trend, $prior);
        $met = static fn (float $days): float => Normal::below(
            ($level->mean() + $days * $rate['mean'] - $asked) /
                sqrt($level->sd() ** 2 + ($days * $rate['sd']) ** 2 + 1e-12),
        );
        if ($met(0.0) >= 0.5 || $met(self::FURTHEST) < 0.5) {
            return null;
        }
        $day = static function (float $chance) use ($met): float {
            [$low, $high] = [0.0, self::FURTHEST];
            for ($step = 0; $step < self::STEPS; ++$step) {
                $middle = ($low + $high) / 2.0;
                $met($middle) < $chance ? ($low = $middle) : ($high = $middle);
            }

            return $high;
        };
        $isSeen = $met(self::FURTHEST) >= self::LATE;

        return new self(
            $met(0.0) >= self::EARLY ? 0.0 : $day(self::EARLY),
            $isSeen ? $day(self::LATE) : null,
            $isSeen ? self::CHANCE : (int) round(100.0 * ($met(self::FURTHEST) - self::EARLY)),
        );
    }

    /** @return array{mean: float, sd: float} per day */
    public static function rate(Trend $trend, ?Prior $prior = null): array
    {
        $prior ??= Prior::usual();
        $own = 1.0 / $trend->slope->sd() ** 2;
        $usual = (Trend::MONTH / $prior->sd) ** 2;

        return [
            'mean' => ($own * $trend->slope->mean() + ($usual * $prior->month) / Trend::MONTH) / ($own + $usual),
            'sd' => 1.0 / sqrt($own + $usual),
        ];
    }
}
