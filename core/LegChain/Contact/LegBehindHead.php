<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\UpperBody;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Torso;
use LucidAscent\Core\LegChain\Vector;

/**
 * The ankle behind the neck. It is 5 cm behind the base of the neck, square to the torso's
 * end, and 4 cm across the midline (this product's own constants). More rounding asks less of the hip and more of the
 * back.
 */
final readonly class LegBehindHead extends SeatedContact implements Contact
{
    private const BEHIND = 5.0;
    private const ACROSS = 4.0;

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
        return (new Vector(0.0, 0.0, $this->sitting->hipHeight($body)))->plus(
            $this->sitting->toGround(self::inPelvis($this->torso, $this->rounding)),
        );
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

        return Torso::neck($torso, $rounding)
            ->plus((new Vector(-cos($psi), 0.0, sin($psi)))->times(self::BEHIND))
            ->plus(new Vector(0.0, -self::ACROSS, 0.0));
    }

    public static function about(): About
    {
        return new About('contact.leg-behind-head', [
            Control::rounding(),
            Control::cm('kneeOutside', 'control.kneeOut', 8, 40, 20),
            Control::seat(),
            Control::pelvicTilt(),
        ]);
    }

    public static function of(SetUp $set): Posture
    {
        return new FreeKnee(
            new self($set->upper(UpperBody::Torso), $set->number('rounding'), $set->sitting()),
            $set->capacity(),
            $set->number('kneeOutside'),
        );
    }
}
