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
    /** The pelvis's tilt on the back, in degrees. */
    public const ON_BACK = -90.0;

    /**
     * @param bool $isOnBack whether the pelvis lies on its back, so that the hip joints are as high as they lie
     *
     * @throws InvalidValue when the seat is negative, or the tilt is not within 90° either way
     */
    public function __construct(
        public float $seat = 0.0,
        public float $pelvicTilt = 0.0,
        private bool $isOnBack = false,
    ) {
        if (!($seat >= 0.0 && $seat <= Check::MOST && $pelvicTilt >= -90.0 && $pelvicTilt <= 90.0)) {
            Check::notNegative('seat', $seat);
            Check::within('pelvicTilt', $pelvicTilt, -90.0, 90.0, 'degrees');
        }
    }

    /** Lying on the back, on the floor. */
    public static function onBack(): self
    {
        return new self(0.0, self::ON_BACK, true);
    }

    /** Of the hip joints above the floor, in cm. */
    public function hipHeight(Body $body): float
    {
        return ($this->isOnBack ? $body->lyingHipHeight : $body->seatedHipHeight) + $this->seat;
    }

    public function hip(Body $body): Vector
    {
        return new Vector(0.0, $body->hipSpacing / 2, $this->hipHeight($body));
    }

    /** @return array{seat: float, pelvicTilt: float} */
    public function props(): array
    {
        return ['seat' => $this->seat, 'pelvicTilt' => $this->pelvicTilt];
    }

    /** The same, with seat (cm) or pelvicTilt (degrees) more by so much. */
    public function shifted(string $name, float $by): self
    {
        return match ($name) {
            'seat' => new self($this->seat + $by, $this->pelvicTilt, $this->isOnBack),
            'pelvicTilt' => new self($this->seat, $this->pelvicTilt + $by, $this->isOnBack),
            default => $this,
        };
    }

    /** On a seat of so many cm instead. */
    public function withSeat(float $seat): self
    {
        return new self($seat, $this->pelvicTilt, $this->isOnBack);
    }

    /** A direction or a difference of points, from the pelvis's axes to the ground's. */
    public function toGround(Vector $v): Vector
    {
        [$sin, $cos] = [sin(deg2rad($this->pelvicTilt)), cos(deg2rad($this->pelvicTilt))];

        return new Vector($cos * $v->x + $sin * $v->z, $v->y, -$sin * $v->x + $cos * $v->z);
    }

    /** The other way. */
    public function toPelvis(Vector $v): Vector
    {
        [$sin, $cos] = [sin(deg2rad($this->pelvicTilt)), cos(deg2rad($this->pelvicTilt))];

        return new Vector($cos * $v->x - $sin * $v->z, $v->y, $sin * $v->x + $cos * $v->z);
    }

    /** The same seat, with the pelvis tucked by so many degrees more. */
    public function tucked(float $degrees): self
    {
        return new self($this->seat, $this->pelvicTilt - $degrees, $this->isOnBack);
    }
}
