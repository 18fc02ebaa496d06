<?php

declare(strict_types=1);

namespace LucidAscent\App\Lab;

/** One thing of a set-up that can be changed: its name, its range and where it starts. */
final readonly class Control
{
    public function __construct(
        public string $name,
        public string $label,
        public string $unit,
        public float $least,
        public float $most,
        public float $start,
        public float $step = 0.5,
    ) {
    }

    public static function cm(string $name, string $label, float $least, float $most, float $start): self
    {
        return new self($name, $label, 'cm', $least, $most, $start);
    }

    public static function degrees(string $name, string $label, float $least, float $most, float $start): self
    {
        return new self($name, $label, '°', $least, $most, $start, 1.0);
    }
}
