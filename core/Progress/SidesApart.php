<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\SmallestChange;

/**
 * How far left and right are from each other, over time. Only readings of one day and one set-up are compared: what
 * both are off by is then the same.
 */
final readonly class SidesApart
{
    /**
     * @param list<array{on: \DateTimeImmutable, apart: float, error: float}> $pairs left less right, in the ability's
     *     unit, and one SD
     */
    private function __construct(public array $pairs, public Reason $because)
    {
    }

    /**
     * @param list<Evidence> $left
     * @param list<Evidence> $right
     *
     * @return self|null null where the two were never read alike on one day
     */
    public static function of(Ability $ability, array $left, array $right): ?self
    {
        $key = static fn (Evidence $one): string => (null === $one->on ? '' : Day::of($one->on)).' '.$one->setUp();
        $exact = static fn (Evidence $one): bool => Bound::Exact === $one->bound && null !== $one->on;
        $ofRight = [];
        foreach (array_filter($right, $exact) as $one) {
            $ofRight[$key($one)] = $one;
        }
        $pairs = [];
        foreach (array_filter($left, $exact) as $one) {
            $other = $ofRight[$key($one)] ?? null;
            if (null !== $other && null !== $one->on) {
                $pairs[] = [
                    'on' => $one->on,
                    'apart' => $one->value - $other->value,
                    'error' => hypot($one->uncertainty->readingError(), $other->uncertainty->readingError()),
                ];
            }
        }
        usort($pairs, static fn (array $a, array $b): int => $a['on'] <=> $b['on']);

        return [] === $pairs ? null : new self($pairs, self::because($ability, $pairs));
    }

    /** @param non-empty-list<array{on: \DateTimeImmutable, apart: float, error: float}> $pairs */
    private static function because(Ability $ability, array $pairs): Reason
    {
        [$first, $last] = [$pairs[0], $pairs[count($pairs) - 1]];
        $numbers = [
            'ability' => $ability->value,
            'unit' => $ability->unit(),
            'then' => abs($first['apart']),
            'now' => abs($last['apart']),
            'ahead' => $ability->compare($last['apart'], 0.0) >= 0 ? 'left' : 'right',
        ];
        if (
            abs($last['apart']) <= SmallestChange::between($last['error'])
            && abs($first['apart']) <= SmallestChange::between($first['error'])
        ) {
            return new Reason('apart.alike', Source::Computed, $numbers);
        }
        if (Day::of($first['on']) === Day::of($last['on'])) {
            return new Reason('apart.once', Source::Computed, $numbers);
        }
        // What changes sign has come closer and gone on: told by how far they are from each other.
        $trend = Trend::of(
            array_map(
                static fn (array $pair): TimedReading => new TimedReading(
                    (float) Day::between($first['on'], $pair['on']),
                    abs($pair['apart']),
                    max(1e-3, $pair['error']),
                ),
                $pairs,
            ),
        );
        $change = abs($last['apart']) - abs($first['apart']);
        $isReal =
            null === $trend
                ? abs($change) > SmallestChange::between(hypot($first['error'], $last['error']))
                : $trend->isReal();

        return new Reason(
            !$isReal
                ? 'apart.still'
                : ((null === $trend ? $change : $trend->slope->mean()) < 0.0
                    ? 'apart.closer'
                    : 'apart.wider'),
            Source::Computed,
            $numbers,
        );
    }
}
