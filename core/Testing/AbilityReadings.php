<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\LegChain\LegAngles;

/**
 * Everything that was read of one ability on one side, and which of it decides.
 *
 * Exact readings within fourteen days of the newest are asked together. When they agree, the one whose
 * position lies nearest to the wanted one decides, or the most precise where nothing is wanted. When two
 * of them differ by more than their errors explain, or a lower bound of those days lies above by more than
 * that, neither wins by being newer: the lowest limits, and all are shown. A lower bound within the errors
 * raises the figure. Further apart than fourteen days the newer counts. Known by lower bounds alone, the
 * highest stands.
 */
final readonly class AbilityReadings
{
    /** Readings no further apart than this are of one time. */
    public const DAYS_TOGETHER = 14;

    /** Whether an isolating test has read it. */
    public bool $isIsolated;

    /** @var list<Evidence> those that are asked together, the newest first */
    private array $exact;
    /** The lower bound that goes furthest; null where none says anything beside the exact ones. */
    private ?Evidence $bound;
    /** The lowest of the exact ones, where they cannot all be true. */
    private ?Evidence $lowest;
    /** @var list<string> the tests that were read more than once in the days of the exact ones */
    private array $repeated;

    /** @param non-empty-list<Evidence> $evidence of one ability */
    public function __construct(array $evidence, private BodyError $body)
    {
        $this->isIsolated = [] !== array_filter($evidence, static fn (Evidence $e): bool => $e->answersAWord());
        $this->exact = self::together(
            array_values(array_filter($evidence, static fn (Evidence $e): bool => Bound::Exact === $e->bound)),
        );
        $bounds = array_values(array_filter($evidence, static fn (Evidence $e): bool => Bound::AtLeast === $e->bound));
        $newest = $this->exact[0] ?? null;
        if (null !== $newest) {
            $bounds = array_values(
                array_filter(
                    $bounds,
                    static fn (Evidence $e): bool => $e->on >= $newest->on
                        || $e->daysFrom($newest) <= self::DAYS_TOGETHER,
                ),
            );
        } elseif ([] === $bounds) {
            $bounds = $evidence;
        }
        $times = array_count_values(
            array_map(static fn (Evidence $e): string => $e->test, [
                ...$this->exact,
                ...null === $newest ? [] : $bounds,
            ]),
        );
        $this->repeated = array_keys(array_filter($times, static fn (int $many): bool => $many > 1));
        $this->bound = [] === $bounds ? null : self::furthest($bounds);
        $this->lowest = $this->contradict()
            ? array_reduce(
                $this->exact,
                static fn (Evidence $low, Evidence $e): Evidence => $e->ability->compare($e->value, $low->value) < 0
                    ? $e
                    : $low,
                $this->exact[0],
            )
            : null;
    }

    /** Whether which reading decides depends on the position for which it is asked: only where several agree. */
    public function dependsOnPosition(): bool
    {
        return count($this->exact) > 1 && null === $this->lowest;
    }

    /** @param LegAngles|null $wanted the position for which it is asked */
    public function capacity(?LegAngles $wanted = null): MeasuredCapacity
    {
        if ([] === $this->exact) {
            return MeasuredCapacity::by(
                $this->bound ?? throw new \LogicException('Something was read.'),
                Bound::AtLeast,
                $this->body,
            );
        }
        $value = $this->lowest ?? $this->best($wanted);
        $against =
            null === $this->lowest
                ? []
                : array_values(array_filter($this->exact, fn (Evidence $e): bool => $this->differ($e, $value)));
        $exact = MeasuredCapacity::by($value, Bound::Exact, $this->body, $against, $this->repeated);
        if (null === $this->bound || $value->ability->compare($this->bound->value, $value->value) <= 0) {
            return $exact;
        }
        if (!$this->differ($this->bound, $value)) {
            return MeasuredCapacity::raised($exact, $this->bound, $this->body);
        }

        return $this->bound->daysFrom($this->exact[0]) > self::DAYS_TOGETHER
            ? MeasuredCapacity::by($this->bound, Bound::AtLeast, $this->body)
            : MeasuredCapacity::by($value, Bound::Exact, $this->body, [...$against, $this->bound], $this->repeated);
    }

    /** Whether two of the exact readings cannot both be true. */
    private function contradict(): bool
    {
        foreach ($this->exact as $i => $one) {
            for ($k = $i + 1; $k < count($this->exact); ++$k) {
                if ($this->differ($one, $this->exact[$k])) {
                    return true;
                }
            }
        }

        return false;
    }

    /** Whether two readings differ by more than their errors explain. */
    private function differ(Evidence $one, Evidence $other): bool
    {
        return abs($one->value - $other->value) >
            SmallestChange::between($one->uncertainty->minus($other->uncertainty)->error($this->body));
    }

    private function best(?LegAngles $wanted): Evidence
    {
        $best = $this->exact[0];
        if (1 === count($this->exact)) {
            return $best;
        }
        foreach ($this->exact as $e) {
            if ($this->rank($e, $wanted) < $this->rank($best, $wanted)) {
                $best = $e;
            }
        }

        return $best;
    }

    /** @return array{float, float} how far from the wanted position, in degrees, then how uncertain */
    private function rank(Evidence $e, ?LegAngles $wanted): array
    {
        $error = $e->uncertainty->error($this->body);
        if (null === $wanted) {
            return [0.0, $error];
        }
        if (null === $e->position) {
            return [INF, $error];
        }
        $apart = array_map(
            static fn (float $a, float $b): float => ($a - $b) ** 2,
            $e->position->toArray(),
            $wanted->toArray(),
        );

        return [sqrt(array_sum($apart)), $error];
    }

    /** @param non-empty-list<Evidence> $evidence */
    private static function furthest(array $evidence): Evidence
    {
        $furthest = $evidence[0];
        foreach ($evidence as $e) {
            $further = $e->ability->compare($e->value, $furthest->value);
            // Of those that go as far the newest.
            if ($further > 0 || (0 === $further && $e->on > $furthest->on)) {
                $furthest = $e;
            }
        }

        return $furthest;
    }

    /**
     * The newest, and those of the same time.
     *
     * @param list<Evidence> $evidence
     *
     * @return list<Evidence> the newest first
     */
    private static function together(array $evidence): array
    {
        usort($evidence, static fn (Evidence $a, Evidence $b): int => $b->on <=> $a->on);

        return array_values(
            array_filter($evidence, static fn (Evidence $e): bool => $e->daysFrom($evidence[0]) <= self::DAYS_TOGETHER),
        );
    }
}
