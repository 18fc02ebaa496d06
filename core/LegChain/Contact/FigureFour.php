<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/**
 * Figure four: the ankle lies across the other thigh, 4 cm short of its knee and 7 cm in front of
 * its bone. The other thigh is flexed by so many degrees in the pelvis's frame (this
 * product's own constants). Lying, the floor is behind the pelvis and limits nothing.
 */
final readonly class FigureFour extends SeatedContact
{
    public const OTHER = 'otherFlexion';

    private const SHORT_OF_KNEE = 4.0;
    private const ON_THIGH = 7.0;

    /** @throws InvalidValue when the other thigh is flexed by less than 0° or more than 150° */
    public function __construct(public float $otherFlexion, Sitting $sitting)
    {
        parent::__construct($sitting);
        Check::within(self::OTHER, $otherFlexion, 0.0, 150.0, 'degrees');
    }

    /** How far the thigh that carries the foot is folded, in degrees. */
    public static function control(float $start): Control
    {
        return Control::degrees(self::OTHER, 'Other thigh folded', 30, 150, $start);
    }

    public function ankle(Body $body): Vector
    {
        [$sin, $cos] = [sin(deg2rad($this->otherFlexion)), cos(deg2rad($this->otherFlexion))];
        $along = $body->thigh - self::SHORT_OF_KNEE;

        return $this->fromPelvis($body, new Vector(
            $along * $sin + self::ON_THIGH * $cos,
            -$body->hipSpacing / 2,
            -$along * $cos + self::ON_THIGH * $sin,
        ));
    }

    public function props(): array
    {
        return [self::OTHER => $this->otherFlexion] + parent::props();
    }

    public function shifted(string $name, float $by): static
    {
        return new self($this->otherFlexion + (self::OTHER === $name ? $by : 0.0), $this->sitting->shifted($name, $by));
    }

    public function seated(Sitting $sitting): static
    {
        return new self($this->otherFlexion, $sitting);
    }
}
