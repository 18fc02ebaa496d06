<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/** One session, as long as the time there is or shorter. */
final readonly class PlannedSession
{
    /** Seconds from one item to the next. */
    public const CHANGE = 10;

    /** @param list<PlannedItem> $items */
    public function __construct(public \DateTimeImmutable $on, public array $items)
    {
    }

    public function seconds(): int
    {
        return array_sum(array_map(static fn (PlannedItem $item): int => $item->seconds + self::CHANGE, $this->items));
    }

    public function minutes(): int
    {
        return (int) ceil($this->seconds() / 60);
    }
}
