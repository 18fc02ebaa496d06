<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\Testing\SmallestChange;

/** Whether somebody gets on, by the trends of what the wanted poses ask. */
enum Movement: string
{
    case Moves = 'moves';
    case Still = 'still';
    case Back = 'back';

    /**
     * What goes back is said first: nobody is told that all is well while one thing is lost. Somebody stands still when
     * what is usual would have been seen by now, and was not; before that nobody can tell.
     *
     * @param list<array{month: float, sd: float, chance: float}> $trends a month, in the direction in which the ability
     *     grows, with one SD and the chance that it is real
     *
     * @return self|null null while nobody can tell
     */
    public static function of(array $trends): ?self
    {
        $sure = array_filter($trends, static fn (array $one): bool => $one['chance'] >= Trend::SURE);

        return match (true) {
            [] === $trends => null,
            [] !== array_filter($sure, static fn (array $one): bool => $one['month'] < 0.0) => self::Back,
            [] !== $sure => self::Moves,
            [] !==
                array_filter(
                    $trends,
                    static fn (array $one): bool => $one['month'] + SmallestChange::between($one['sd']) >=
                        Prior::USUAL,
                ) => null,
            default => self::Still,
        };
    }
}
