<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Contact\AnkleContact;

/**
 * An ankle contact whose knee is where it was easiest for one body, while lengths change a little: what made
 * that place the easiest goes on holding, so that the place moves along. Two angles that were short by the
 * same go on being so; a knee on the edge of what is clear of the body, or of the floor, stays on the edge.
 * Anywhere else the margin is at its top, and to first order the place may stay.
 */
final readonly class HeldKnee implements ChainReading, Posture
{
    /** Margins nearer to each other than this, in degrees, are a tie; places nearer than this, in cm, are the edge. */
    private const TIE = 0.01;
    /** A step along the swivel for its slopes, in radians. */
    private const STEP = 1e-5;
    private const STEPS = 12;
    /** Where a place that moves by less has been found, in radians. */
    private const STILL = 1e-11;

    /**
     * @param float $radians where on the swivel
     * @param array{Component, Component}|null $tie the two angles that are short by the same
     * @param array{float, float}|null $slopes how their margins move along the swivel, in degrees per radian
     * @param bool $isOnFloor whether it lies on the floor
     * @param bool $isOnEdge whether it is as near to the midline as it may be
     */
    private function __construct(private FreeKnee $free, private float $radians, private ?array $tie, private ?array $slopes, private bool $isOnFloor, private bool $isOnEdge)
    {
    }

    /** @param LegPose $pose the position as this body has it */
    public static function of(FreeKnee $free, LegPose $pose, Body $body): self
    {
        $swivel = self::swivel($free->contact, $body);
        $place = $swivel->place($pose->knee);

        [$tie, $slopes] = self::tie($free->capacity, $swivel, $place) ?? [null, null];

        return new self(
            $free,
            $place,
            $tie,
            $slopes,
            abs($pose->knee->z - LegChain::HALF_KNEE) < self::TIE,
            abs($pose->knee->y - $free->outside($body)) < self::TIE,
        );
    }

    public function pose(Body $body): LegPose
    {
        $swivel = self::swivel($this->free->contact, $body);
        $off = match (true) {
            $this->isOnFloor => static fn (LegPose $pose): float => $pose->knee->z - LegChain::HALF_KNEE,
            $this->isOnEdge => fn (LegPose $pose): float => $pose->knee->y - $this->free->outside($body),
            null !== $this->tie => fn (LegPose $pose): float => self::margin($this->tie[0] ?? Component::Flexion, $this->free->capacity, $pose) - self::margin($this->tie[1] ?? Component::Flexion, $this->free->capacity, $pose),
            default => null,
        };
        $place = $this->radians;
        $pose = $swivel->pose($place);
        if (null === $off) {
            return $pose;
        }
        // The place hardly moves, and its slope less: one slope serves all steps.
        $slope = ($off($swivel->pose($place + self::STEP)) - $off($pose)) / self::STEP;
        for ($i = 0; $i < self::STEPS && 0.0 !== $slope; ++$i) {
            $step = $off($pose) / $slope;
            $place -= $step;
            $pose = $swivel->pose($place);
            if (abs($step) < self::STILL) {
                break;
            }
        }

        return $pose;
    }

    public function angles(Body $body): array
    {
        return $this->pose($body)->angles->toArray();
    }

    public function readingErrors(): array
    {
        return $this->free->readingErrors();
    }

    public function props(): array
    {
        return $this->free->props();
    }

    public function shifted(string $name, float $by): static
    {
        return new self($this->free->shifted($name, $by), $this->radians, $this->tie, $this->slopes, $this->isOnFloor, $this->isOnEdge);
    }

    /**
     * How much the worst margin moves with each of two that tie: the knee goes to where they are short by the same again, and so
     * makes good with one what the other lacks.
     *
     * @return array<string, float> shares of one by component; none where no two tie, or the knee cannot move
     */
    public function shares(): array
    {
        if (null === $this->tie || null === $this->slopes || $this->isOnFloor || $this->isOnEdge) {
            return [];
        }
        $sum = abs($this->slopes[0]) + abs($this->slopes[1]);

        return [$this->tie[0]->value => abs($this->slopes[1]) / $sum, $this->tie[1]->value => abs($this->slopes[0]) / $sum];
    }

    /** @return array{array{Component, Component}, array{float, float}}|null the two tightest, where moving on eases one and tightens the other, and how fast */
    private static function tie(Capacity $capacity, Swivel $swivel, float $place): ?array
    {
        $limited = array_values(array_filter(Component::cases(), static fn (Component $one): bool => null !== $capacity->of($one)));
        $margin = static fn (Component $one, float $at): float => self::margin($one, $capacity, $swivel->pose($at));
        usort($limited, static fn (Component $a, Component $b): int => $margin($a, $place) <=> $margin($b, $place));
        if (count($limited) < 2 || abs($margin($limited[0], $place) - $margin($limited[1], $place)) > self::TIE) {
            return null;
        }
        $slope = static fn (Component $one): float => ($margin($one, $place + self::STEP) - $margin($one, $place - self::STEP)) / (2 * self::STEP);

        $slopes = [$slope($limited[0]), $slope($limited[1])];

        return $slopes[0] * $slopes[1] < 0.0 ? [[$limited[0], $limited[1]], $slopes] : null;
    }

    private static function margin(Component $component, Capacity $capacity, LegPose $pose): float
    {
        return ($capacity->of($component) ?? INF) - $pose->angles->of($component);
    }

    private static function swivel(AnkleContact $contact, Body $body): Swivel
    {
        return Swivel::between($contact->hip($body), $contact->ankle($body), $body, $contact->sitting()->pelvicTilt);
    }
}
