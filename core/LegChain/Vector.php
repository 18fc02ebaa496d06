<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

/**
 * A point or a direction in the frame of the leg in question: x forward, y away from the
 * midline towards that leg's side, z up. Points in cm, with the floor at z = 0.
 */
final readonly class Vector
{
    public function __construct(public float $x, public float $y, public float $z)
    {
    }

    public function plus(self $other): self
    {
        return new self($this->x + $other->x, $this->y + $other->y, $this->z + $other->z);
    }

    public function minus(self $other): self
    {
        return new self($this->x - $other->x, $this->y - $other->y, $this->z - $other->z);
    }

    /** So many times as long, in the same direction. */
    public function times(float $factor): self
    {
        return new self($this->x * $factor, $this->y * $factor, $this->z * $factor);
    }

    /** The scalar product, in cm² where both are in cm. */
    public function dot(self $other): float
    {
        return $this->x * $other->x + $this->y * $other->y + $this->z * $other->z;
    }

    public function cross(self $other): self
    {
        return new self(
            $this->y * $other->z - $this->z * $other->y,
            $this->z * $other->x - $this->x * $other->z,
            $this->x * $other->y - $this->y * $other->x,
        );
    }

    /** In cm, where its coordinates are. */
    public function length(): float
    {
        return sqrt($this->dot($this));
    }

    /** @return array{float, float, float} */
    public function toArray(): array
    {
        return [$this->x, $this->y, $this->z];
    }
}
