<?php

declare(strict_types=1);

namespace LucidAscent\Core\Route;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\State;

/**
 * The one ability of one side whose gain opens most of what is left: counted over the rungs of all
 * postures on the way that it alone keeps short. Of equals, the one with the least to gain.
 */
final readonly class Keystone
{
    /** @param list<string> $opens the postures that its gain brings nearer */
    private function __construct(
        public Ability $ability,
        public Side $side,
        public int $count,
        public array $opens,
        public float $missing,
    ) {
    }

    /** @param list<Route> $routes */
    public static function of(array $routes, ReadPoses $poses): ?self
    {
        $best = null;
        $left = array_values(
            array_unique(array_merge(...array_map(static fn (Route $route): array => $route->left, $routes))),
        );
        /**
         * @var array<string, array{float, array<string, string>, float}> $found weight, what it opens, what is missing
         */
        $found = [];
        foreach ($left as $id) {
            foreach (Side::cases() as $side) {
                foreach ($poses->of($id, $side)->rungs() as $rung) {
                    if (State::Held === $rung->state()) {
                        continue;
                    }
                    $behind = array_filter(
                        $rung->margins,
                        static fn ($margin): bool => State::Open !== $margin->state(),
                    );
                    $worst = $rung->limiter();
                    if (null === $worst || [] === $behind || null === $worst->shown) {
                        continue;
                    }
                    // What it alone keeps back counts in full; where others do too, it opens a part.
                    $key = $worst->ability->value.' '.$worst->leg($side)->value;
                    [$weight, $opens, $missing] = $found[$key] ?? [0.0, [], 0.0];
                    $found[$key] = [
                        $weight + (12 / count($behind)) * (State::Short === $worst->state() ? 1 : 0.5),
                        $opens + [$id => $id],
                        max($missing, -$worst->difference()),
                    ];
                }
            }
        }
        foreach ($found as $key => [$weight, $opens, $missing]) {
            [$ability, $side] = explode(' ', $key);
            $one = new self(
                Ability::from($ability),
                Side::from($side),
                (int) round($weight),
                array_values($opens),
                $missing,
            );
            if (null === $best || [$one->count, -$one->missing] > [$best->count, -$best->missing]) {
                $best = $one;
            }
        }

        return $best;
    }
}
