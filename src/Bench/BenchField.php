<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\Core\Body\Side;

/** One number of one trial on the test bench; without a side when both sides share it. */
final readonly class BenchField
{
    /** @param string $unit cm, degrees, seconds, or "yes or no" */
    public function __construct(
        public string $measure,
        public string $label,
        public string $unit,
        public ?Side $side,
        public bool $isNeeded,
    ) {
    }

    public function name(): string
    {
        return null === $this->side ? $this->measure : $this->measure.'_'.$this->side->value;
    }

    public function isFor(Side $side): bool
    {
        return null === $this->side || $side === $this->side;
    }
}
