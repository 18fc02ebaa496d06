<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

/**
 * What practice usually brings in a month, before a person's own readings say more: what a teacher's own people have
 * done once there are enough of them, and a stated figure before.
 */
final readonly class Prior
{
    /** Degrees, cm or seconds a month, and one SD among people: this product's own. */
    public const USUAL = 0.7;
    public const USUAL_SD = 1.0;
    /** Fewer people say too little of people. */
    public const PEOPLE = 8;
    /** People are never more alike than this, one SD a month. */
    private const ALIKE = 0.2;

    /** @param int $people how many it rests on; none for the stated figure */
    private function __construct(public float $month, public float $sd, public int $people)
    {
    }

    public static function usual(): self
    {
        return new self(self::USUAL, self::USUAL_SD, 0);
    }

    /**
     * The mean of people's rates and how far people are from it, errors of the rates taken out (random effects;
     * DerSimonian and Laird, Control Clin Trials 7 (1986) 177).
     *
     * @param list<array{month: float, sd: float}> $rates one of each person and side, with one SD
     */
    public static function among(array $rates, int $people): self
    {
        $rates = array_values(
            array_filter($rates, static fn (array $one): bool => $one['sd'] > 0.0 && is_finite($one['sd'])),
        );
        if ($people < self::PEOPLE || count($rates) < self::PEOPLE) {
            return self::usual();
        }
        $weights = array_map(static fn (array $one): float => 1.0 / $one['sd'] ** 2, $rates);
        $mean = self::mean($rates, $weights);
        $scatter = array_sum(
            array_map(
                static fn (array $one, float $weight): float => $weight * ($one['month'] - $mean) ** 2,
                $rates,
                $weights,
            ),
        );
        $sum = array_sum($weights);
        $between = max(
            0.0,
            ($scatter - count($rates) + 1) /
                ($sum - array_sum(array_map(static fn (float $weight): float => $weight ** 2, $weights)) / $sum),
        );
        $weights = array_map(static fn (array $one): float => 1.0 / ($one['sd'] ** 2 + $between), $rates);

        return new self(
            self::mean($rates, $weights),
            max(self::ALIKE, sqrt($between + 1.0 / array_sum($weights))),
            $people,
        );
    }

    /**
     * @param list<array{month: float, sd: float}> $rates
     * @param list<float> $weights
     */
    private static function mean(array $rates, array $weights): float
    {
        return array_sum(
            array_map(static fn (array $one, float $weight): float => $weight * $one['month'], $rates, $weights),
        ) / array_sum($weights);
    }
}
