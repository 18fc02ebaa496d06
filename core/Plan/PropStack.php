<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;

/**
 * A height built of the blocks and folded blankets that somebody has, in cm: as near as can be, of few pieces, and of
 * blocks that stand on their end only where nothing steadier comes near.
 */
final readonly class PropStack
{
    /** What a piece more, and a block on its end, have to be better by, in cm. */
    private const PIECE = 0.3;
    private const ON_END = 1.0;
    private const MOST_BLANKETS = 6;

    /** @param array{flat: int, side: int, end: int, blanket: int} $pieces how many of each */
    private function __construct(public array $pieces, public float $height)
    {
    }

    /**
     * @param array<string, float> $sizes in cm, by what they are of
     *
     * @throws InvalidValue when a size is none
     */
    public static function check(array $sizes): void
    {
        foreach ($sizes as $name => $size) {
            Check::within("sizes.$name", $size, 0.5, 60.0, 'cm');
        }
    }

    /**
     * @param float $height in cm
     * @param array{flat: float, side: float, end: float, blanket: float} $sizes of a block as it lies, on its side and
     *     on its end, and of a folded blanket, in cm
     *
     * @throws InvalidValue when a size is none
     */
    public static function of(float $height, int $blocks, int $blankets, array $sizes): self
    {
        self::check($sizes);
        $best = null;
        $least = \INF;
        for ($end = 0; $end <= $blocks; ++$end) {
            for ($side = 0; $side + $end <= $blocks; ++$side) {
                for ($flat = 0; $flat + $side + $end <= $blocks; ++$flat) {
                    $ofBlocks = $end * $sizes['end'] + $side * $sizes['side'] + $flat * $sizes['flat'];
                    // What the blankets are to fill, rounded down and up.
                    $many = max(0, (int) floor(($height - $ofBlocks) / $sizes['blanket']));
                    foreach (
                        [
                            min($many, $blankets, self::MOST_BLANKETS),
                            min($many + 1, $blankets, self::MOST_BLANKETS),
                        ] as $blanket
                    ) {
                        $sum = $ofBlocks + $blanket * $sizes['blanket'];
                        $cost =
                            abs($sum - $height) +
                            self::PIECE * ($end + $side + $flat + $blanket) +
                            self::ON_END * $end;
                        if ($cost < $least - 1e-9) {
                            [$least, $best] = [
                                $cost,
                                new self(
                                    ['flat' => $flat, 'side' => $side, 'end' => $end, 'blanket' => $blanket],
                                    $sum,
                                ),
                            ];
                        }
                    }
                }
            }
        }

        return $best ?? new self(['flat' => 0, 'side' => 0, 'end' => 0, 'blanket' => 0], 0.0);
    }
}
