<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\LegChain\Vector;

/** A prop as it stands there: a box between two corners (cm, ground frame), or a strap from point to point. */
final readonly class Solid
{
    /**
     * @param string $what what it is and where: "knee-block", "behind-wall", "hand-to-foot-strap"
     * @param list<Vector> $points two opposite corners of a box, or the ends of a strap
     * @param float $height of its top in cm, or the strap's length
     */
    private function __construct(public string $what, public array $points, public float $height, public bool $isStrap)
    {
    }

    public static function box(string $what, Vector $low, Vector $high): self
    {
        return new self($what, [$low, $high], $high->z, false);
    }

    public static function strap(string $what, Vector $from, Vector $to): self
    {
        return new self($what, [$from, $to], $to->minus($from)->length(), true);
    }

    /** Whether it stands behind or beside the body rather than under it. */
    public function isBackdrop(): bool
    {
        return str_ends_with($this->what, '-wall');
    }
}
