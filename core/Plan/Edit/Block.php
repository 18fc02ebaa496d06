<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Edit;

use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedItem;

/** Work on one posture stands together, its counterpose behind it: that is moved and changed as one. */
final readonly class Block
{
    /**
     * @param int $from the place at which it begins
     * @param int $length how many items it has
     */
    private function __construct(public int $from, public int $length)
    {
    }

    /** @param list<PlannedItem> $items of a session */
    public static function at(array $items, int $at): self
    {
        if (Phase::Work !== $items[$at]->phase && Phase::Counter !== $items[$at]->phase) {
            return new self($at, 1);
        }
        $from = max(0, Phase::Counter === $items[$at]->phase ? $at - 1 : $at);
        $key = $items[$from]->key();
        while ($from > 0 && $items[$from - 1]->isWork() && $items[$from - 1]->key() === $key) {
            --$from;
        }
        $to = $from;
        while (isset($items[$to]) && $items[$to]->isWork() && $items[$to]->key() === $key) {
            ++$to;
        }
        $hasCounter = isset($items[$to]) && Phase::Counter === $items[$to]->phase;

        return new self($from, max(1, $to - $from + ($hasCounter ? 1 : 0)));
    }

    /**
     * @param list<PlannedItem> $items
     *
     * @return list<PlannedItem>
     */
    public function of(array $items): array
    {
        return array_slice($items, $this->from, $this->length);
    }

    /**
     * @param list<PlannedItem> $items
     * @param list<PlannedItem> $instead what stands in its place
     *
     * @return list<PlannedItem>
     */
    public function replaced(array $items, array $instead): array
    {
        return [
            ...array_slice($items, 0, $this->from),
            ...$instead,
            ...array_slice($items, $this->from + $this->length),
        ];
    }

    /**
     * @param list<PlannedItem> $items
     * @param callable(PlannedItem): PlannedItem $change of each item of work
     *
     * @return list<PlannedItem>
     */
    public function working(array $items, callable $change): array
    {
        return $this->replaced(
            $items,
            array_map(
                static fn (PlannedItem $item): PlannedItem => $item->isWork() ? $change($item) : $item,
                $this->of($items),
            ),
        );
    }
}
