<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Vector;

/**
 * The back of the knee over the shoulder. The shoulder is 16 cm out from the base of the neck and
 * 4 cm below it, on the torso's arc as in LegBehindHead; the thigh points from the hip to a place
 * 6 cm outside it (this product's own constants). The shin hangs free, so that only flexion and
 * abduction are asked for.
 */
final readonly class LegOverShoulder implements Posture
{
    private const SHOULDER_OUT = 16.0;
    private const SHOULDER_BELOW = 4.0;
    private const OUTSIDE = 6.0;

    /** @throws InvalidValue when the torso is not more than zero, or the rounding not within 180° either way */
    public function __construct(public float $torso, public float $rounding)
    {
        Check::positive('torso', $torso);
        Check::within('rounding', $rounding, -180.0, 180.0, 'degrees');
    }

    public function angles(Body $body): array
    {
        $psi = deg2rad($this->rounding);
        $shoulder = LegBehindHead::neck($this->torso, $this->rounding)
            ->plus((new Vector(-sin($psi), 0.0, -cos($psi)))->times(self::SHOULDER_BELOW))
            ->plus(new Vector(0.0, self::SHOULDER_OUT + self::OUTSIDE, 0.0));
        $thigh = $shoulder->minus(new Vector(0.0, $body->hipSpacing / 2, 0.0));
        $length = $thigh->length();
        if ($length > $body->thigh + $body->shin) {
            throw OutOfReach::because('The shoulder is further from the hip than the leg is long.');
        }
        $flexion = rad2deg(atan2($thigh->x, -$thigh->z));

        return [
            'flexion' => $flexion <= -90.0 ? $flexion + 360.0 : $flexion,
            'abduction' => rad2deg(asin($thigh->y / $length)),
        ];
    }

    public function readingErrors(): array
    {
        return [];
    }

    public function props(): array
    {
        return ['rounding' => $this->rounding];
    }

    public function shifted(string $name, float $by): static
    {
        return new self($this->torso, $this->rounding + ('rounding' === $name ? $by : 0.0));
    }
}
