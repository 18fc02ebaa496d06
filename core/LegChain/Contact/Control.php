<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

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

    /** A length or a height, in cm. */
    public static function cm(string $name, string $label, float $least, float $most, float $start): self
    {
        return new self($name, $label, 'cm', $least, $most, $start);
    }

    /** Of the middle of the knee above the floor, in cm. */
    public static function kneeHeight(float $least, float $most, float $start): self
    {
        return self::cm('kneeHeight', 'control.kneeHeight', $least, $most, $start);
    }

    /** Of the hip joint above the floor, in cm. */
    public static function hipHeight(float $least, float $most, float $start): self
    {
        return self::cm('hipHeight', 'control.hipHeight', $least, $most, $start);
    }

    public static function seat(): self
    {
        return self::cm('seat', 'control.seat', 0, 30, 0);
    }

    public static function pelvicTilt(): self
    {
        return self::degrees('pelvicTilt', 'control.pelvis', -30, 30, 0);
    }

    public static function rounding(): self
    {
        return self::degrees('rounding', 'control.spine', 0, 120, 40);
    }

    /** An angle, in degrees. */
    public static function degrees(string $name, string $label, float $least, float $most, float $start): self
    {
        return new self($name, $label, '°', $least, $most, $start, 1.0);
    }
}
