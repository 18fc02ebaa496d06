<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Reason\Reason;

/** One session, as long as the time there is or shorter. */
final readonly class PlannedSession
{
    /** Seconds of changing over from one item to the next: they are part of the item. */
    public const CHANGE = 10;

    /**
     * @param list<PlannedItem> $items
     * @param string|null $theme the wanted posture that comes first this time
     * @param Unused|null $unused null where the time is used
     * @param Dose|null $dose the school's way on that day; null where nobody says
     * @param Measure|null $measure the number that is read before the work and after it
     * @param array<string, Reason> $tradesAway what it has no room for, or not today, by posture
     * @param bool $isAfterSport whether that day has another sport
     */
    public function __construct(
        public \DateTimeImmutable $on,
        public array $items,
        public ?string $theme = null,
        public ?Unused $unused = null,
        public ?Dose $dose = null,
        public ?Measure $measure = null,
        public array $tradesAway = [],
        public bool $isAfterSport = false,
    ) {
    }

    /** @param list<PlannedItem> $items */
    public function doing(array $items): self
    {
        return new self(
            $this->on,
            $items,
            $this->theme,
            $this->unused,
            $this->dose,
            $this->measure,
            $this->tradesAway,
            $this->isAfterSport,
        );
    }

    public function hasWork(): bool
    {
        return [] !== array_filter($this->items, static fn (PlannedItem $item): bool => Phase::Work === $item->phase);
    }

    public function isLocked(): bool
    {
        return [] !== array_filter($this->items, static fn (PlannedItem $item): bool => $item->isLocked);
    }

    public function seconds(): int
    {
        return array_sum(array_map(static fn (PlannedItem $item): int => $item->seconds, $this->items));
    }

    public function minutes(): int
    {
        return (int) ceil($this->seconds() / 60);
    }
}
