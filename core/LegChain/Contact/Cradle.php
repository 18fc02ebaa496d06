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
use LucidAscent\Core\LegChain\Vector;

/**
 * The leg cradled before the chest: the foot in the bend of the other elbow, 12 cm across the
 * midline, 20 cm in front of the hip line, and half way up the torso, in the pelvis's frame (this
 * product's own constants).
 */
final readonly class Cradle extends SeatedContact implements Contact
{
    private const IN_FRONT = 20.0;
    private const ACROSS = -12.0;
    private const UP = 0.5;

    /** @throws InvalidValue when the torso is not more than zero */
    public function __construct(public float $torso, Sitting $sitting)
    {
        parent::__construct($sitting);
        Check::positive('torso', $torso);
    }

    public function ankle(Body $body): Vector
    {
        return $this->fromPelvis($body, new Vector(self::IN_FRONT, self::ACROSS, self::UP * $this->torso));
    }

    public function seated(Sitting $sitting): static
    {
        return new self($this->torso, $sitting);
    }

    public static function about(): About
    {
        return new About('Leg cradle', [Control::seat(), Control::pelvicTilt()]);
    }

    public static function of(SetUp $set): Posture
    {
        return new FreeKnee(new self($set->upper(UpperBody::Torso), $set->sitting()), $set->capacity());
    }
}
