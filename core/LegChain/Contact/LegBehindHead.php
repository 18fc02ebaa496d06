<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/**
 * The ankle behind the neck. In the pelvis's frame, from the point between the hip joints, the
 * torso is an arc of length L that rounds forward by ψ, so that the bony bump at the base of the
 * neck is at (L(1 − cos ψ)/ψ, 0, L sin ψ/ψ). The ankle is 5 cm behind it and 4 cm across the
 * midline (this product's own constants). More rounding asks less of the hip and more of the back.
 */
final readonly class LegBehindHead extends SeatedContact
{
    private const BEHIND = 5.0;
    private const ACROSS = 4.0;
    /** Below this rounding, in radians, the arc is taken as straight. */
    private const STRAIGHT = 1e-9;

    /**
     * @param float $torso seat to the base of the neck less the seated hip height, in cm
     * @param float $rounding degrees, forward positive
     *
     * @throws InvalidValue when the torso is not more than zero, or the rounding not within 180° either way
     */
    public function __construct(public float $torso, public float $rounding, Sitting $sitting)
    {
        parent::__construct($sitting);
        Check::positive('torso', $torso);
        Check::within('rounding', $rounding, -180.0, 180.0, 'degrees');
    }

    public function ankle(Body $body): Vector
    {
        return (new Vector(0.0, 0.0, $this->sitting->hipHeight($body)))->plus($this->sitting->toGround(self::inPelvis($this->torso, $this->rounding)));
    }

    /** Base of the neck, in the pelvis's frame from the point between the hip joints. */
    public static function neck(float $torso, float $rounding): Vector
    {
        $psi = deg2rad($rounding);

        return abs($psi) < self::STRAIGHT
            ? new Vector(0.0, 0.0, $torso)
            : new Vector($torso * (1 - cos($psi)) / $psi, 0.0, $torso * sin($psi) / $psi);
    }

    public function props(): array
    {
        return ['rounding' => $this->rounding] + parent::props();
    }

    public function shifted(string $name, float $by): static
    {
        return new self(
            $this->torso,
            $this->rounding + ('rounding' === $name ? $by : 0.0),
            $this->sitting->shifted($name, $by),
        );
    }

    public function seated(Sitting $sitting): static
    {
        return new self($this->torso, $this->rounding, $sitting);
    }

    private static function inPelvis(float $torso, float $rounding): Vector
    {
        $psi = deg2rad($rounding);

        return self::neck($torso, $rounding)
            ->plus((new Vector(-cos($psi), 0.0, sin($psi)))->times(self::BEHIND))
            ->plus(new Vector(0.0, -self::ACROSS, 0.0));
    }
}
