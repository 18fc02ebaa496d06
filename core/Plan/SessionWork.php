<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** What a session takes in, one thing after the other, as far as its time and its pieces go. */
final class SessionWork
{
    /** So many counterposes in a session at most (common practice). */
    private const COUNTERS = 5;

    /** @var array<string, array{Candidate, list<PlannedItem>}> by key */
    private array $taken = [];
    /** @var array<string, float> seconds that one hold may last on that day, by key */
    private array $longest = [];
    /** Seconds that what is there could take beside what it has. */
    private int $room = 0;
    /** @var list<PracticeRung> the shapes that are held in it */
    private array $held = [];
    private int $counters = 0;

    /**
     * @param int $left seconds that there are for it
     * @param int $pieces of work and counterposes that there may be
     * @param list<PracticeRung> $warm shapes that one warms up in
     */
    public function __construct(
        private readonly ReadPoses $poses,
        private readonly WorkItems $items,
        private readonly Dose $dose,
        private readonly \DateTimeImmutable $on,
        private readonly int $minutes,
        private int $left,
        private int $pieces,
        private readonly array $warm,
        private readonly Likeness $likeness,
    ) {
    }

    /** @return Reason|null why it is not taken; null where it is */
    public function take(Candidate $candidate): ?Reason
    {
        if ($this->isThere($candidate)) {
            return new Reason('plan.same-shape', Source::Own, ['posture' => $candidate->posture]);
        }
        $counter = null === $candidate->counter ? 0 : 1;
        if (1 + $counter > $this->pieces || $this->counters + $counter > self::COUNTERS) {
            return new Reason('plan.no-calm', Source::Trade, ['minutes' => $this->minutes]);
        }
        $items = $this->items->of($candidate, $this->dose, $this->on);
        $needed = self::seconds($items);
        if ($needed > $this->left || isset($this->taken[$candidate->key()])) {
            return new Reason('plan.no-time', Source::Own, ['minutes' => $this->minutes]);
        }
        $this->left -= $needed;
        $this->pieces -= 1 + $counter;
        $this->counters += $counter;
        $this->taken[$candidate->key()] = [$candidate, $items];
        array_push($this->held, ...null === $candidate->drill ? array_values(array_filter($candidate->rungs)) : []);
        $longest = INF;
        foreach (null === $candidate->drill ? $items : [] as $item) {
            $longest = $item->isWork()
                ? min($longest, $this->items->longest($item->rung, $item->side, $this->dose, $this->on))
                : $longest;
        }
        $this->longest[$candidate->key()] = $longest;
        $this->room += FillTime::room(
            $items,
            $this->dose,
            $this->short([$candidate->key() => [$candidate]]),
            $this->longest,
        );

        return null;
    }

    /** @return array<string, array{Candidate, list<PlannedItem>}> by key */
    public function all(): array
    {
        return $this->taken;
    }

    public function has(string $key): bool
    {
        return isset($this->taken[$key]);
    }

    /** Whether it has as many pieces as one settles in. */
    public function isFull(): bool
    {
        return $this->pieces < 1;
    }

    /** Whether what is there can be held as long as there is time, but for so many seconds. */
    public function canFill(int $spare): bool
    {
        return $this->room >= $this->left - $spare;
    }

    /**
     * In their order, as long as the time allows.
     *
     * @param string|null $theme the wanted posture of the day
     *
     * @return list<PlannedItem>
     */
    public function filled(?string $theme, int $spare): array
    {
        $before = array_merge(...array_column(WorkOrder::of($this->taken, $theme, $this->dose, $this->poses), 1));
        $items = FillTime::of(
            $before,
            max(0, $this->left - $spare),
            $this->dose,
            $this->short($this->taken),
            array_map(static fn (array $one): float => $one[0]->worth($theme), $this->taken),
            $this->longest,
        );

        return Rounds::of($items, $this->left - $spare - self::seconds($items) + self::seconds($before));
    }

    /** Whether something keeps the hold with which it begins. */
    public function keepsShort(): bool
    {
        return [] !== $this->short($this->taken);
    }

    /** Whether something could be held longer than it may be in its first weeks. */
    public function isNew(): bool
    {
        foreach ($this->taken as $key => [, $items]) {
            foreach ($items as $item) {
                if (
                    $item->isWork()
                    && $item->rung->rung->isForAnybody()
                    && $this->longest[$key] < $this->dose->most($item->rung)
                ) {
                    return true;
                }
            }
        }

        return false;
    }

    /** Whether all that would be done of it is done already, for another posture, or to warm up. */
    private function isThere(Candidate $candidate): bool
    {
        if (null !== $candidate->drill) {
            return false;
        }
        $there = in_array(Wish::Remedy, $candidate->wishes, true) ? [...$this->warm, ...$this->held] : $this->held;
        foreach ($candidate->rungs as $rung) {
            if (null !== $rung && !$this->likeness->toAny($rung, $there)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param array<string, array{0: Candidate, 1?: list<PlannedItem>}> $work
     *
     * @return list<string> keys of what keeps the hold with which it begins
     */
    private function short(array $work): array
    {
        return array_keys(
            array_filter($work, fn (array $one): bool => $one[0]->keepsShort($this->poses->person->holds)),
        );
    }

    /** @param list<PlannedItem> $items */
    private static function seconds(array $items): int
    {
        return array_sum(array_map(static fn (PlannedItem $item): int => $item->seconds, $items));
    }
}
