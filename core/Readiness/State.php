<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

/** What a margin, or a posture with all of its margins, comes to. */
enum State: string
{
    /** Enough, and by more than the noise. */
    case Open = 'open';
    /** Cannot be told apart from just enough. */
    case Near = 'near';
    /** Not enough, and by more than the noise. */
    case Short = 'short';
    /** A posture or a gate that comes before it is known not to be met; its own numbers would do, or are not known. */
    case First = 'first';
    /**
     * A measurement or an observation is missing: not tested, too long ago, or known only as a lower bound that does
     * not reach.
     */
    case Unknown = 'unknown';
    /** A stop rule applies. */
    case Held = 'held';

    /** The posture's state out of its components': held, short, first, unknown, near, open, in this order. */
    public function worse(self $other): self
    {
        return $this->rank() >= $other->rank() ? $this : $other;
    }

    /** Negative when this one is better, positive when it is worse. */
    public function compare(self $other): int
    {
        return $this->rank() <=> $other->rank();
    }

    /** Whether it may be practised, as far as the numbers go. */
    public function isInReach(): bool
    {
        return self::Open === $this || self::Near === $this;
    }

    private function rank(): int
    {
        return match ($this) {
            self::Open => 0,
            self::Near => 1,
            self::Unknown => 2,
            self::First => 3,
            self::Short => 4,
            self::Held => 5,
        };
    }
}
