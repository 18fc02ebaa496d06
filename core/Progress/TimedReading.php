<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

/** One reading of a series. */
final readonly class TimedReading
{
    /**
     * @param float $day days since some day that the whole series shares
     * @param float $value in the series' unit
     * @param float $sd one SD of the reading alone, in the same unit: the body is the same all along
     * @param bool $isAtLeast whether it is no more than a lower bound
     * @param bool $isCut of a bound: whether the reading came to an end of its own, a floor or a foot, so that anything
     *     beyond it is as likely
     * @param string $setUp by which test and tool, warm or cold: readings of one set-up are off by the same
     */
    public function __construct(
        public float $day,
        public float $value,
        public float $sd,
        public bool $isAtLeast = false,
        public string $setUp = '',
        public bool $isCut = true,
    ) {
    }
}
