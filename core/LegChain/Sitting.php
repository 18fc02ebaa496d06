<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;

/**
 * How the pelvis is placed: the height of the prop under the seat in cm, and the pelvis's tilt
 * about the side-to-side axis in degrees, anterior (top forward) positive.
 */
final readonly class Sitting
{
    /** @throws InvalidValue when the seat is negative, or the tilt is not within 90° either way */
    public function __construct(public float $seat = 0.0, public float $pelvicTilt = 0.0)
    {
        Check::notNegative('seat', $seat);
        Check::within('pelvicTilt', $pelvicTilt, -90.0, 90.0, 'degrees');
    }

    public function hipHeight(Body $body): float
    {
        return $body->seatedHipHeight + $this->seat;
    }

    public function hip(Body $body): Vector
    {
        return new Vector(0.0, $body->hipSpacing / 2, $this->hipHeight($body));
    }

    public function withSeat(float $seat): self
    {
        return new self($seat, $this->pelvicTilt);
    }

    /** The same seat, with the pelvis tucked by so many degrees more. */
    public function tucked(float $degrees): self
    {
        return new self($this->seat, $this->pelvicTilt - $degrees);
    }
}
