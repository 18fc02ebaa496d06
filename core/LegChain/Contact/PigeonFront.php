<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\IsReadByJoints;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Reading;

/**
 * Pigeon, the front leg: hip joint so high above the floor (cm); the knee ahead on the floor, half
 * a knee thick, and 8 cm wider than its hip; the shin level and turned from the mat's front edge by
 * the shin angle (degrees; 0 is parallel, the full form). The constants are this product's own.
 */
final readonly class PigeonFront implements ChainReading, Contact, Posture
{
    use IsReadByJoints;

    private const KNEE_OUTWARD = 8.0;

    /** @throws InvalidValue when the height is negative, or the shin is turned by more than 90° */
    public function __construct(public float $hipHeight, public float $shinAngle, public float $pelvicTilt = 0.0)
    {
        Check::notNegative('hipHeight', $hipHeight);
        Check::within('shinAngle', $shinAngle, -90.0, 90.0, 'degrees');
        Check::within('pelvicTilt', $pelvicTilt, -90.0, 90.0, 'degrees');
    }

    public function joints(Body $body): array
    {
        $y = $body->hipSpacing / 2;
        $ahead = $body->thigh ** 2 - self::KNEE_OUTWARD ** 2 - ($this->hipHeight - LegChain::HALF_KNEE) ** 2;
        if ($ahead < 0.0) {
            throw OutOfReach::because(
                sprintf('With the hip %.1f cm up, the knee does not come down to the floor.', $this->hipHeight),
            );
        }
        $x = sqrt($ahead);
        $out = $y + self::KNEE_OUTWARD;
        $level = (float) LegChain::HALF_KNEE;
        $turn = deg2rad($this->shinAngle);

        return [
            0.0,
            $y,
            $this->hipHeight,
            $x,
            $out,
            $level,
            $x - $body->shin * sin($turn),
            $out - $body->shin * cos($turn),
            $level,
        ];
    }

    public function pelvicTilt(): float
    {
        return $this->pelvicTilt;
    }

    public function readingErrors(): array
    {
        return ['hipHeight' => Reading::TAPE_ERROR, 'shinAngle' => Reading::ANGLE_ERROR];
    }

    public function props(): array
    {
        return [
            'hipHeight' => $this->hipHeight,
            'shinAngle' => $this->shinAngle,
            'pelvicTilt' => $this->pelvicTilt,
        ];
    }

    public function shifted(string $name, float $by): static
    {
        return new self(
            $this->hipHeight + ('hipHeight' === $name ? $by : 0.0),
            $this->shinAngle + ('shinAngle' === $name ? $by : 0.0),
            $this->pelvicTilt + ('pelvicTilt' === $name ? $by : 0.0),
        );
    }

    public static function about(): About
    {
        return new About(
            'contact.pigeon-front',
            [
                Control::hipHeight(8, 40, 18),
                Control::degrees('shinAngle', 'control.shinTurned', 0, 80, 45),
                Control::pelvicTilt(),
            ],
            OtherLeg::Behind,
        );
    }

    public static function of(SetUp $set): Posture
    {
        return new self($set->number('hipHeight'), $set->number('shinAngle'), $set->sitting()->pelvicTilt);
    }
}
