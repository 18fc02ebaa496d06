<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Uncertainty;

/**
 * How far a person goes in one ability on one side, out of everything that was read of it.
 *
 * Exact readings within fourteen days of the newest are asked together. When they agree, the one whose
 * position lies nearest to the wanted one decides, or the most precise where nothing is wanted. When two
 * of them differ by more than their errors explain, or a lower bound of those days lies above by more than
 * that, neither wins by being newer: the lowest limits, and all are shown. A lower bound within the errors
 * raises the figure. Further apart than fourteen days the newer counts. Known by lower bounds alone, the
 * highest stands.
 */
final readonly class MeasuredCapacity
{
    /** Readings no further apart than this are of one time. */
    public const DAYS_TOGETHER = 14;

    /**
     * @param float $value in the ability's unit
     * @param float $error one SD, body and readings together
     * @param non-empty-list<Evidence> $from what the value rests on
     * @param list<Evidence> $against readings that cannot be true together with it
     */
    private function __construct(
        public Ability $ability,
        public float $value,
        public float $error,
        public Bound $bound,
        public Uncertainty $uncertainty,
        public array $from,
        public array $against = [],
        private ?self $beforeRaising = null,
    ) {
    }

    /**
     * @param non-empty-list<Evidence> $evidence of one ability
     * @param LegAngles|null $wanted the position for which it is asked
     */
    public static function of(array $evidence, BodyError $body, ?LegAngles $wanted = null): self
    {
        $exact = self::together(array_values(array_filter($evidence, static fn (Evidence $e): bool => Bound::Exact === $e->bound)));
        $bounds = array_values(array_filter($evidence, static fn (Evidence $e): bool => Bound::AtLeast === $e->bound));
        if ([] === $exact) {
            return self::bound(self::furthest([] === $bounds ? $evidence : $bounds), $body);
        }
        $newest = $exact[0];
        [$value, $against] = self::decided($exact, $body, $wanted);
        $bounds = array_values(array_filter($bounds, static fn (Evidence $e): bool => $e->on >= $newest->on || $e->daysFrom($newest) <= self::DAYS_TOGETHER));
        if ([] === $bounds) {
            return self::exact($value, $body, $against);
        }
        $highest = self::furthest($bounds);
        if ($value->ability->compare($highest->value, $value->value) <= 0) {
            return self::exact($value, $body, $against);
        }
        if (!self::differ($highest, $value, $body)) {
            return new self($highest->ability, $highest->value, $highest->uncertainty->error($body), Bound::Exact, $highest->uncertainty, [$highest, $value], $against, self::exact($value, $body, $against));
        }

        return $highest->daysFrom($newest) > self::DAYS_TOGETHER
            ? self::bound($highest, $body)
            : self::exact($value, $body, [...$against, $highest]);
    }

    /** What the isolating tests alone say, when there were any; else all that is known. */
    public function isolating(): self
    {
        return $this->beforeRaising ?? $this;
    }

    /** The reading that is most likely wrong, where some cannot be true together. */
    public function doubtful(BodyError $body): ?Evidence
    {
        if ([] === $this->against) {
            return null;
        }
        $readings = [...$this->from, ...$this->against];
        usort($readings, static fn (Evidence $a, Evidence $b): int => $b->uncertainty->error($body) <=> $a->uncertainty->error($body));

        return $readings[0];
    }

    /** When the newest reading under it was taken; null when no date is known. */
    public function on(): ?\DateTimeImmutable
    {
        return array_reduce($this->from, static fn (?\DateTimeImmutable $newest, Evidence $e): ?\DateTimeImmutable => max($newest, $e->on));
    }

    /** @return list<string> the tests that it rests on */
    public function tests(): array
    {
        return array_values(array_unique(array_map(static fn (Evidence $e): string => $e->test, $this->from)));
    }

    /** Whether two readings differ by more than their errors explain. */
    public static function differ(Evidence $one, Evidence $other, BodyError $body): bool
    {
        return abs($one->value - $other->value) > SmallestChange::between($one->uncertainty->minus($other->uncertainty)->error($body));
    }

    private static function bound(Evidence $e, BodyError $body): self
    {
        return new self($e->ability, $e->value, $e->uncertainty->error($body), Bound::AtLeast, $e->uncertainty, [$e]);
    }

    /** @param list<Evidence> $against */
    private static function exact(Evidence $e, BodyError $body, array $against): self
    {
        return new self($e->ability, $e->value, $e->uncertainty->error($body), Bound::Exact, $e->uncertainty, [$e], $against);
    }

    /**
     * Which of some exact readings decides, and those that cannot be true together with it.
     *
     * @param non-empty-list<Evidence> $exact the newest first
     *
     * @return array{Evidence, list<Evidence>}
     */
    private static function decided(array $exact, BodyError $body, ?LegAngles $wanted): array
    {
        foreach ($exact as $one) {
            foreach ($exact as $other) {
                if (self::differ($one, $other, $body)) {
                    $lowest = array_reduce($exact, static fn (Evidence $low, Evidence $e): Evidence => $e->ability->compare($e->value, $low->value) < 0 ? $e : $low, $exact[0]);

                    return [$lowest, array_values(array_filter($exact, static fn (Evidence $e): bool => self::differ($e, $lowest, $body)))];
                }
            }
        }
        $best = $exact[0];
        foreach ($exact as $e) {
            if (self::rank($e, $body, $wanted) < self::rank($best, $body, $wanted)) {
                $best = $e;
            }
        }

        return [$best, []];
    }

    /** @return array{float, float} how far from the wanted position, in degrees, then how uncertain */
    private static function rank(Evidence $e, BodyError $body, ?LegAngles $wanted): array
    {
        $error = $e->uncertainty->error($body);
        if (null === $wanted) {
            return [0.0, $error];
        }
        if (null === $e->position) {
            return [INF, $error];
        }
        $apart = array_map(static fn (float $a, float $b): float => ($a - $b) ** 2, $e->position->toArray(), $wanted->toArray());

        return [sqrt(array_sum($apart)), $error];
    }

    /** @param non-empty-list<Evidence> $evidence */
    private static function furthest(array $evidence): Evidence
    {
        $furthest = $evidence[0];
        foreach ($evidence as $e) {
            if ($e->ability->compare($e->value, $furthest->value) > 0) {
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

        return array_values(array_filter($evidence, static fn (Evidence $e): bool => $e->daysFrom($evidence[0]) <= self::DAYS_TOGETHER));
    }
}
