<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Calendar\Day;

/**
 * Load from elsewhere: a class, teaching, another sport. Deep work of the day counts as deep work, and after much of
 * anything holds are as short as in the beginning (this product's own limits).
 */
final readonly class Elsewhere
{
    public const MOST_MINUTES = 600;
    /** More than that on one day is done by nobody. */
    public const MOST_IN_A_DAY = 960;
    /** A class of so many minutes is deep work. */
    private const DEEP = 20;
    /** After so many minutes on a day, that day and the next are taken easily. */
    private const MUCH = 60;

    /** @throws InvalidValue when it is no time, or more than anybody does */
    public function __construct(public ElsewhereKind $kind, public int $minutes, public \DateTimeImmutable $on)
    {
        Check::within('minutes', (float) $minutes, 1.0, (float) self::MOST_MINUTES, 'minutes');
    }

    /**
     * The deep work elsewhere that is too near to a day for more of it; null where there is none.
     *
     * @param list<self> $all
     * @param int $daysApart 1 where deep work on two days running is allowed
     */
    public static function tooNear(array $all, \DateTimeImmutable $day, int $daysApart): ?self
    {
        $near = null;
        foreach ($all as $one) {
            $between = Day::between($one->on, $day);
            $isNear =
                $one->kind->isDeep() && $one->minutes >= self::DEEP && $between >= 0 && $between < $daysApart;
            $near = $isNear && (null === $near || $one->on > $near->on) ? $one : $near;
        }

        return $near;
    }

    /**
     * Whether so much was done elsewhere on a day or the day before that holds are kept short.
     *
     * @param list<self> $all
     */
    public static function isMuch(array $all, \DateTimeImmutable $day): bool
    {
        $minutes = [0, 0];
        foreach ($all as $one) {
            $between = Day::between($one->on, $day);
            if (0 === $between || 1 === $between) {
                $minutes[$between] += $one->minutes;
            }
        }

        return max($minutes) >= self::MUCH;
    }
}
