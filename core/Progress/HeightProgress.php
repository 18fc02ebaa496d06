<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\SmallestChange;

/** The height of a prop that one rung was practised on, session by session, in cm: the lower, the further. */
final readonly class HeightProgress
{
    /** One SD of a height that was read by tape, in cm. */
    public const ERROR = Reading::TAPE_ERROR;

    private function __construct(public ?Trend $trend, public Reason $because)
    {
    }

    /**
     * @param non-empty-list<array{\DateTimeImmutable, float}> $heights day and cm, of clean sessions; or degrees
     * @param float $error one SD of each, in the same unit
     */
    public static function of(
        array $heights,
        \DateTimeImmutable $now,
        string $unit = 'cm',
        float $error = self::ERROR,
    ): self {
        usort($heights, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $trend = Trend::of(
            array_map(
                static fn (array $one): TimedReading => new TimedReading(
                    (float) -Day::between($one[0], $now),
                    $one[1],
                    $error,
                ),
                $heights,
            ),
        );
        [$first, $last] = [$heights[0], $heights[count($heights) - 1]];
        $change = $last[1] - $first[1];
        $numbers = [
            'now' => $last[1],
            'change' => abs($change),
            'month' => abs((float) $trend?->slope->mean()) * Trend::MONTH,
            'unit' => $unit,
        ];
        $isReal = null === $trend ? abs($change) > SmallestChange::of($error) : $trend->isReal();

        return new self(
            $trend,
            new Reason(
                match (true) {
                    Day::of($first[0]) === Day::of($last[0]) => 'height.once',
                    !$isReal => 'height.still',
                    (null === $trend ? $change : $trend->slope->mean()) < 0.0 => null === $trend
                        ? 'height.lowered'
                        : 'height.lower',
                    default => null === $trend ? 'height.raised' : 'height.higher',
                },
                Source::Computed,
                $numbers,
            ),
        );
    }
}
