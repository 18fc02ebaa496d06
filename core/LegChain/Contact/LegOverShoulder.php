<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\UpperBody;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Torso;
use LucidAscent\Core\LegChain\Vector;

/**
 * The back of the knee over the shoulder. The shoulder is 16 cm out from the base of the neck and
 * 4 cm below it, at the end of the torso's arc; the thigh points from the hip to a place
 * 6 cm outside it (this product's own constants). The shin hangs free, so that only flexion and
 * abduction are asked for.
 */
final readonly class LegOverShoulder implements Contact, Drawn, Posture
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
        $shoulder = Torso::neck($this->torso, $this->rounding)
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

    public static function about(): About
    {
        return new About('contact.leg-over-shoulder', [Control::rounding()]);
    }

    public static function of(SetUp $set): Posture
    {
        return new self($set->upper(UpperBody::Torso), $set->number('rounding'));
    }

    /** The shin hangs as it will; it is drawn half folded. */
    public function drawn(Body $body): LegPose
    {
        $angles = $this->angles($body);

        return LegChain::forward($body, new Sitting(), new LegAngles($angles['flexion'], $angles['abduction'], 0, 60));
    }
}
