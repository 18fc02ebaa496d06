<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Reading;

/**
 * Deep squat, heels down: the thigh rises from hip to knee by asin((knee − hip) / T), and the hip is bent by a right
 * angle and that much, less what the pelvis is tucked under. Thighs that are apart bend it further, so that it is at
 * least this much.
 */
final readonly class SquatDepth implements Contact, Posture
{
    /**
     * @param float $tuck how far the pelvis is tucked back from upright, in degrees; below zero where it is tipped
     *     forward
     *
     * @throws InvalidValue when a height is negative or not finite
     */
    public function __construct(public float $kneeHeight, public float $hipHeight, public float $tuck)
    {
        Check::notNegative('kneeHeight', $kneeHeight);
        Check::notNegative('hipHeight', $hipHeight);
        Check::within(PlantedFoot::TUCK, $tuck, -90.0, 90.0, 'degrees');
    }

    public function angles(Body $body): array
    {
        $rise = ($this->kneeHeight - $this->hipHeight) / $body->thigh;
        if (abs($rise) > 1.0) {
            throw OutOfReach::because('The thigh is not as long as that is high.');
        }

        return [Component::Flexion->value => 90.0 + rad2deg(asin($rise)) - $this->tuck];
    }

    public function readingErrors(): array
    {
        return [
            'kneeHeight' => Reading::TAPE_ERROR,
            'hipHeight' => Reading::TAPE_ERROR,
            PlantedFoot::TUCK => Reading::ANGLE_ERROR,
        ];
    }

    public function props(): array
    {
        return [
            'kneeHeight' => $this->kneeHeight,
            'hipHeight' => $this->hipHeight,
            PlantedFoot::TUCK => $this->tuck,
        ];
    }

    public function shifted(string $name, float $by): static
    {
        return new self(
            $this->kneeHeight + ('kneeHeight' === $name ? $by : 0.0),
            $this->hipHeight + ('hipHeight' === $name ? $by : 0.0),
            $this->tuck + (PlantedFoot::TUCK === $name ? $by : 0.0),
        );
    }

    /** It is read, and not set up by hand. */
    public static function about(): About
    {
        return new About(
            'contact.squat-depth',
            [],
            test: new TestReading(3.0, needs: ['hipHeight', 'kneeHeight', PlantedFoot::TUCK], mayLack: true),
        );
    }

    public static function of(SetUp $set): Posture
    {
        return new self($set->number('kneeHeight'), $set->number('hipHeight'), $set->number(PlantedFoot::TUCK));
    }
}
