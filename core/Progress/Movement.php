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

    /**
     * What goes back is said first: nobody is told that all is well while one thing is lost.
     *
     * @param list<array{month: float, chance: float}> $trends a month, in the direction in which the ability grows, and the chance that it is real
     *
     * @return self|null null while there is no trend at all
     */
    public static function of(array $trends): ?self
    {
        $sure = array_filter($trends, static fn (array $one): bool => $one['chance'] >= self::SURE);

        return match (true) {
            [] === $trends => null,
            [] !== array_filter($sure, static fn (array $one): bool => $one['month'] < 0.0) => self::Back,
            [] !== $sure => self::Moves,
            default => self::Still,
        };
    }
}
