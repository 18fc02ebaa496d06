<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\Statistics\LeastSquares;
use LucidAscent\Core\Testing\SmallestChange;

/**
 * What an hour of each kind of work has brought, over one person's series or over many people's: each series has a
 * level of its own, and what grows with time alone is allowed for. Kinds that were always practised together cannot be
 * told apart, and nobody pretends that they could.
 */
final readonly class WhatWorked
{
    /** So many readings must be left over when all kinds have been fitted. */
    private const LEAST_LEFT = 3;

    /**
     * @param array<string, array{perHour: float, low: float, high: float}> $kinds what an hour brought, in the series'
     *     unit, with its 95 % interval
     * @param int $readings that it rests on
     */
    private function __construct(public array $kinds, public int $readings)
    {
    }

    /**
     * @param list<list<array{day: float, value: float, sd: float, hours: array<string, float>}>> $series each of one
     *     person, side and ability; hours of each kind up to then
     *
     * @return self|null null where nothing can be told apart yet
     */
    public static function of(array $series): ?self
    {
        $kinds = [];
        foreach ($series as $readings) {
            foreach ($readings as $one) {
                foreach (
                    array_keys(array_filter($one['hours'], static fn (float $hours): bool => $hours > 0.0)) as $kind
                ) {
                    $kinds[$kind] = true;
                }
            }
        }
        $kinds = array_keys($kinds);
        $y = [];
        $columns = array_fill(0, 1 + count($kinds), []);
        $levels = 0;
        foreach ($series as $readings) {
            if (count($readings) < 2) {
                continue;
            }
            ++$levels;
            $weights = array_map(static fn (array $one): float => 1.0 / $one['sd'] ** 2, $readings);
            $all = [
                array_column($readings, 'value'),
                array_column($readings, 'day'),
                ...array_map(
                    static fn (string $kind): array => array_map(
                        static fn (array $one): float => $one['hours'][$kind] ?? 0.0,
                        $readings,
                    ),
                    $kinds,
                ),
            ];
            foreach ($all as $c => $column) {
                $mean =
                    array_sum(
                        array_map(
                            static fn (float $value, float $weight): float => $value * $weight,
                            $column,
                            $weights,
                        ),
                    ) / array_sum($weights);
                foreach ($column as $i => $value) {
                    $white = ($value - $mean) * sqrt($weights[$i]);
                    0 === $c ? ($y[] = $white) : ($columns[$c - 1][] = $white);
                }
            }
        }
        $left = count($y) - $levels - count($columns);
        $fit = [] === $kinds || $left < self::LEAST_LEFT ? null : LeastSquares::of($y, $columns);
        if (null === $fit) {
            return null;
        }
        // Where readings scatter by more than their errors, everything is that much less sure.
        $wider = sqrt(max(1.0, $fit->rest / $left));
        $found = [];
        foreach ($kinds as $k => $kind) {
            $half = SmallestChange::between($wider * sqrt($fit->covariance[$k + 1][$k + 1]));
            $found[$kind] = [
                'perHour' => $fit->coefficients[$k + 1],
                'low' => $fit->coefficients[$k + 1] - $half,
                'high' => $fit->coefficients[$k + 1] + $half,
            ];
        }

        return new self($found, count($y));
    }

    /**
     * @return array<string, array{perHour: float, low: float, high: float}> those that brought something, or took
     *     something, for sure; the most first
     */
    public function told(): array
    {
        $told = array_filter($this->kinds, static fn (array $of): bool => $of['low'] > 0.0 || $of['high'] < 0.0);
        uasort($told, static fn (array $a, array $b): int => $b['perHour'] <=> $a['perHour']);

        return $told;
    }
}
