<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\Calendar\Day;

/**
 * Minutes of deep work, week by week from Monday on, and the weeks that were more than a fifth more than the last one
 * with any.
 */
final readonly class WeeklyLoad
{
    /** Common practice: change one thing at a time, by a fifth at most. */
    public const JUMP = 1.2;
    private const DAYS = 7;

    /**
     * @param list<array{monday: \DateTimeImmutable, minutes: float, jump: float|null}> $weeks a jump is in shares of
     *     the week before it
     */
    private function __construct(public array $weeks)
    {
    }

    /** @param list<array{\DateTimeImmutable, float}> $practised day and minutes, in any order */
    public static function of(array $practised): self
    {
        if ([] === $practised) {
            return new self([]);
        }
        $monday = static fn (\DateTimeImmutable $day): \DateTimeImmutable => $day
            ->sub(new \DateInterval(sprintf('P%dD', (int) $day->format('N') - 1)))
            ->setTime(0, 0);
        $minutes = [];
        foreach ($practised as [$day, $of]) {
            $minutes[Day::of($monday($day))] = ($minutes[Day::of($monday($day))] ?? 0.0) + $of;
        }
        $days = array_column($practised, 0);
        $weeks = [];
        $before = 0.0;
        for (
            $week = $monday(min($days));
            $week <= max($days);
            $week = $week->add(new \DateInterval('P'.self::DAYS.'D'))
        ) {
            $here = $minutes[Day::of($week)] ?? 0.0;
            $weeks[] = [
                'monday' => $week,
                'minutes' => $here,
                'jump' => $before > 0.0 && $here > self::JUMP * $before + 1e-9 ? $here / $before : null,
            ];
            $before = $here > 0.0 ? $here : $before;
        }

        return new self($weeks);
    }
}
