<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\LegChain\Vector;

/**
 * How a part of the body is turned in the ground frame: x forward, y to the person's own left, z up; the part's
 * own forward, left and up as unit vectors in it. Degrees outside, radians inside.
 */
final readonly class Frame
{
    private function __construct(public Vector $forward, public Vector $left, public Vector $up)
    {
    }

    public static function upright(): self
    {
        return new self(new Vector(1.0, 0.0, 0.0), new Vector(0.0, 1.0, 0.0), new Vector(0.0, 0.0, 1.0));
    }

    /** Tipped about its own side-to-side axis, forward positive. */
    public function tipped(float $degrees): self
    {
        [$s, $c] = self::sinCos($degrees);

        return new self(
            $this->forward->times($c)->minus($this->up->times($s)),
            $this->left,
            $this->forward->times($s)->plus($this->up->times($c)),
        );
    }

    /** Leaned about its own fore-and-aft axis, towards its right positive: its left side rises. */
    public function leaned(float $degrees): self
    {
        [$s, $c] = self::sinCos($degrees);

        return new self(
            $this->forward,
            $this->left->times($c)->plus($this->up->times($s)),
            $this->up->times($c)->minus($this->left->times($s)),
        );
    }

    /** Turned about its own long axis, to its left positive. */
    public function turned(float $degrees): self
    {
        [$s, $c] = self::sinCos($degrees);

        return new self(
            $this->forward->times($c)->plus($this->left->times($s)),
            $this->left->times($c)->minus($this->forward->times($s)),
            $this->up,
        );
    }

    /** A direction of the part's own (forward, left, up), as the ground has it. */
    public function toGround(float $forward, float $left, float $up): Vector
    {
        return $this->forward->times($forward)->plus($this->left->times($left))->plus($this->up->times($up));
    }

    /** @return array{float, float} */
    private static function sinCos(float $degrees): array
    {
        $radians = deg2rad($degrees);

        return [sin($radians), cos($radians)];
    }
}
