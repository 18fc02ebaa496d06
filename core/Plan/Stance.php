<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/** How the body is held up in a rung. A session goes from the first to the last: what carries least comes first. */
enum Stance: string
{
    case Lying = 'lying';
    case Seated = 'seated';
    /** Standing, balancing, or with weight on a knee or the hands. */
    case Bearing = 'bearing';

    public function rank(): int
    {
        return match ($this) {
            self::Lying => 0,
            self::Seated => 1,
            self::Bearing => 2,
        };
    }
}
