<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Contact\HalfLotus;

/**
 * What the second leg of lotus does to the first: its thigh, under the first ankle, rises towards its own knee, which
 * no longer lies on the floor; the first ankle rises with it, and the first knee follows. Lengths in cm.
 */
final class SecondLeg
{
    /**
     * How much higher the first ankle lies, as far forward along the second thigh as the foot is deep in the crease.
     *
     * @param Body $body of the second leg
     * @param float $knee how high the second knee is above the floor
     */
    public static function raisesAnkle(Body $body, float $knee): float
    {
        $deep = HalfLotus::place(new Sitting())->forward;

        return max(0.0, $knee - LegChain::HALF_KNEE) * ($deep / $body->thigh);
    }

    /**
     * The first knee as low as this hip lets it, alone and with the second leg above it.
     *
     * @param Body $second the second leg's lengths
     * @param float $knee how high the second knee is above the floor
     *
     * @return array{LowestKnee, LowestKnee}|null null where one of the two has no height that fits
     */
    public static function lowest(Body $first, Capacity $capacity, Body $second, float $knee): ?array
    {
        $alone = HalfLotus::place(new Sitting());
        $one = LowestKnee::search($alone, $first, $capacity);
        $two = LowestKnee::search($alone->shifted('above', self::raisesAnkle($second, $knee)), $first, $capacity);

        return null === $one || null === $two ? null : [$one, $two];
    }
}
