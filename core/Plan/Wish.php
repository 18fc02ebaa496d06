<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/**
 * What one would like of a session, where its hard rules leave a choice: what a shape is there for, and how much that
 * counts. Each outweighs all below it together; of equals the one that was named first comes first.
 */
enum Wish
{
    /** The teacher wants it. */
    case Pinned;
    /** It is the wanted pose of the day. */
    case Theme;
    /** It works on what opens most. */
    case Keystone;
    /** It is wanted. */
    case Wanted;
    /** It leads to what is wanted. */
    case Prepares;
    /** It takes the place of what a side may not do now. */
    case InPlace;
    /** It works on what is short. */
    case Remedy;

    public function weight(): int
    {
        return match ($this) {
            self::Pinned => 64,
            self::Theme => 32,
            self::Keystone => 16,
            self::Wanted => 8,
            self::Prepares => 4,
            self::InPlace => 2,
            self::Remedy => 1,
        };
    }

    /**
     * How much more than another shape's a minute in it is worth. Minutes count by their square root, so that a shape
     * that is worth half as much again is held for more than twice as long, and then others are worth more.
     */
    public function worth(): float
    {
        return match ($this) {
            self::Keystone => 1.5,
            self::Theme => 1.2,
            default => 1.0,
        };
    }
}
