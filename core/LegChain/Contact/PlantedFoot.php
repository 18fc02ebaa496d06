<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\IsReadByJoints;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sitting;

/**
 * Sitting with one foot planted in front of its own sitting bone, the knee upright above it: hip joint as high as it
 * sits and the sitting bone hangs, ankle 3 cm ahead of the heel, all in the plane of that leg. Heel distance is
 * measured from the groin straight ahead. What the hip does not bend lifts the sitting bone.
 */
final readonly class PlantedFoot implements ChainReading, ComesToRest, Contact, Posture
{
    use IsReadByJoints;

    public const BONE = 'boneHeight';
    public const HEEL = 'heelDistance';
    /** How far the pelvis is tucked back from upright, in degrees. */
    public const TUCK = 'tuck';
    /** A sitting bone as low as this carries weight, in cm. */
    private const CARRIED = 0.5;

    /** @throws InvalidValue when a length is negative or not finite */
    public function __construct(public float $boneHeight, public float $heelDistance, private Sitting $sitting)
    {
        Check::notNegative(self::BONE, $boneHeight);
        Check::notNegative(self::HEEL, $heelDistance);
    }

    public function joints(Body $body): array
    {
        $y = $body->hipSpacing / 2.0;
        $height = $this->sitting->hipHeight($body) + $this->boneHeight;
        $ahead = $this->heelDistance + SolesTogether::AHEAD_OF_HEEL;
        $drop = $height - $body->ankleAboveSole;
        $line = hypot($ahead, $drop);
        $cos = ($body->thigh ** 2 + $line ** 2 - $body->shin ** 2) / (2.0 * $body->thigh * $line);
        if (abs($cos) > 1.0) {
            throw OutOfReach::ankle();
        }
        // Of the two points that a thigh and a shin reach the knee is the upper one.
        $thigh = acos($cos) - atan2($drop, $ahead);

        return [
            0.0,
            $y,
            $height,
            $body->thigh * cos($thigh),
            $y,
            $height + $body->thigh * sin($thigh),
            $ahead,
            $y,
            $body->ankleAboveSole,
        ];
    }

    public function pelvicTilt(): float
    {
        return $this->sitting->pelvicTilt;
    }

    public function readingErrors(): array
    {
        return [
            self::BONE => Reading::TAPE_ERROR,
            self::HEEL => Reading::TAPE_ERROR,
            self::TUCK => Reading::ANGLE_ERROR,
        ];
    }

    public function props(): array
    {
        return [self::BONE => $this->boneHeight, self::HEEL => $this->heelDistance] + $this->sitting->props();
    }

    public function shifted(string $name, float $by): static
    {
        return new self(
            $this->boneHeight + (self::BONE === $name ? $by : 0.0),
            $this->heelDistance + (self::HEEL === $name ? $by : 0.0),
            self::TUCK === $name ? $this->sitting->tucked($by) : $this->sitting->shifted($name, $by),
        );
    }

    public static function about(): About
    {
        return new About(
            'contact.planted-foot',
            [
                Control::cm(self::BONE, 'control.boneHeight', 0, 20, 0),
                Control::cm(self::HEEL, 'control.plantedHeel', 5, 50, 25),
                Control::seat(),
                Control::pelvicTilt(),
            ],
            OtherLeg::Ahead,
            test: new TestReading(4.0, isSeated: true, needs: [self::BONE, self::HEEL, self::TUCK], mayLack: true),
        );
    }

    public static function of(SetUp $set): Posture
    {
        // A pelvis that nobody saw upright is not taken to be so: most tuck under here.
        $sitting = $set->sitting();

        return new self(
            $set->number(self::BONE),
            $set->number(self::HEEL),
            $set->has(self::TUCK) ? $sitting->tucked($set->number(self::TUCK)) : $sitting,
        );
    }

    public static function isResting(SetUp $set): bool
    {
        return $set->has(self::BONE) && $set->number(self::BONE) <= self::CARRIED;
    }
}
