<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

/** One line of an inclinometer: when it was taken, by the instrument's own clock, and the angle in degrees. */
final readonly class AngleSample
{
    public function __construct(public int $ms, public float $angle)
    {
    }
}
