<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/**
 * Figure four: the ankle lies across the other thigh, 4 cm short of its knee and 7 cm in front of
 * its bone. The other thigh is flexed by so many degrees in the pelvis's frame, or by as many as put
 * the ankle at its measured height above the floor (these constants are this product's own). Lying,
 * the floor is behind the pelvis and limits nothing.
 */
final readonly class FigureFour extends SeatedContact
{
    public const OTHER = 'otherFlexion';
    public const ANKLE = 'ankleHeight';

    private const SHORT_OF_KNEE = 4.0;
    private const ON_THIGH = 7.0;
    /** One SD of the inclination of a thigh, in degrees: an inclinometer's. */
    private const THIGH_ERROR = 2.5;

    /**
     * @param float $otherFlexion in degrees; of no account where the ankle was measured
     * @param float|null $ankleHeight of the ankle's centre above the floor, in cm
     * @param bool $isRead whether its number was read, and errs as such
     *
     * @throws InvalidValue when the other thigh is flexed by less than 0° or more than 150°, or the height is negative
     */
    public function __construct(
        public float $otherFlexion,
        Sitting $sitting,
        private ?float $ankleHeight = null,
        private bool $isRead = false,
    ) {
        parent::__construct($sitting);
        Check::within(self::OTHER, $otherFlexion, 0.0, 150.0, 'degrees');
        if (null !== $ankleHeight) {
            Check::notNegative(self::ANKLE, $ankleHeight);
        }
    }

    /**
     * As a test reads it: by the ankle's height, or by how far the other thigh is folded.
     *
     * @throws InvalidValue when neither was read
     */
    public static function read(SetUp $set, Sitting $sitting): self
    {
        return $set->has(self::OTHER) && !$set->has(self::ANKLE)
            ? new self($set->number(self::OTHER), $sitting, isRead: true)
            : new self(0.0, $sitting, $set->number(self::ANKLE), true);
    }

    /** How far the thigh that carries the foot is folded, in degrees. */
    public static function control(float $start): Control
    {
        return Control::degrees(self::OTHER, 'control.otherThigh', 30, 150, $start);
    }

    public function ankle(Body $body): Vector
    {
        $folded = deg2rad($this->folded($body));
        [$sin, $cos] = [sin($folded), cos($folded)];
        $along = $body->thigh - self::SHORT_OF_KNEE;

        return $this->fromPelvis($body, new Vector(
            $along * $sin + self::ON_THIGH * $cos,
            -$body->hipSpacing / 2,
            -$along * $cos + self::ON_THIGH * $sin,
        ));
    }

    /**
     * How far the other thigh is folded, in degrees: the ankle is r above the hip joints at the end of a line of known
     * length, which leans away from the thigh's own by the angle whose tangent is 7 over what lies along it.
     *
     * @throws OutOfReach when no thigh of this length holds an ankle there
     */
    private function folded(Body $body): float
    {
        if (null === $this->ankleHeight) {
            return $this->otherFlexion;
        }
        $along = $body->thigh - self::SHORT_OF_KNEE;
        $raised = ($this->ankleHeight - $this->sitting->hipHeight($body)) / hypot($along, self::ON_THIGH);
        if (abs($raised) > 1.0) {
            throw OutOfReach::ankle();
        }

        return 90.0 + $this->sitting->pelvicTilt + rad2deg(asin($raised) - atan2(self::ON_THIGH, $along));
    }

    public function readingErrors(): array
    {
        return match (true) {
            !$this->isRead => [],
            null === $this->ankleHeight => [self::OTHER => self::THIGH_ERROR],
            default => [self::ANKLE => Reading::TAPE_ERROR],
        };
    }

    public function props(): array
    {
        return (null === $this->ankleHeight
            ? [self::OTHER => $this->otherFlexion]
            : [self::ANKLE => $this->ankleHeight]) + parent::props();
    }

    public function shifted(string $name, float $by): static
    {
        return new self(
            $this->otherFlexion + (self::OTHER === $name ? $by : 0.0),
            $this->sitting->shifted($name, $by),
            null === $this->ankleHeight ? null : $this->ankleHeight + (self::ANKLE === $name ? $by : 0.0),
            $this->isRead,
        );
    }

    public function seated(Sitting $sitting): static
    {
        return new self($this->otherFlexion, $sitting, $this->ankleHeight, $this->isRead);
    }
}
