<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

/** Whether somebody gets on, by the trends of what the wanted poses ask. */
enum Movement: string
{
    case Moves = 'moves';
    case Still = 'still';
    case Back = 'back';

    /** A trend is taken for one when it is as sure as this. */
    private const SURE = 0.95;
    private const NOISE = 1.96;

    /**
     * What goes back is said first: nobody is told that all is well while one thing is lost. Somebody stands still when what is
     * usual would have been seen by now, and was not; before that nobody can tell.
     *
     * @param list<array{month: float, sd: float, chance: float}> $trends a month, in the direction in which the ability grows, with one SD and the chance that it is real
     *
     * @return self|null null while nobody can tell
     */
    public static function of(array $trends): ?self
    {
        $sure = array_filter($trends, static fn (array $one): bool => $one['chance'] >= self::SURE);

        return match (true) {
            [] === $trends => null,
            [] !== array_filter($sure, static fn (array $one): bool => $one['month'] < 0.0) => self::Back,
            [] !== $sure => self::Moves,
            [] !== array_filter($trends, static fn (array $one): bool => $one['month'] + self::NOISE * $one['sd'] >= Prior::USUAL) => null,
            default => self::Still,
        };
    }
}
