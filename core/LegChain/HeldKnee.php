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
    private const STILL = 1e-10;

    /**
     * @param float $radians where on the swivel
     * @param array{Component, Component}|null $tie the two angles that are short by the same
     * @param array{float, float}|null $slopes how their margins move along the swivel, in degrees per radian
     * @param bool $isOnFloor whether it lies on the floor
     * @param bool $isOnEdge whether it is as near to the midline as it may be
     * @param float $slope how that by which it would not be held moves along the swivel, a radian; nothing where nothing holds it
     */
    private function __construct(private FreeKnee $free, private float $radians, private ?array $tie, private ?array $slopes, private bool $isOnFloor, private bool $isOnEdge, private float $slope)
    {
    }

    /** @param LegPose $pose the position as this body has it */
    public static function of(FreeKnee $free, LegPose $pose, Body $body): self
    {
        $swivel = self::swivel($free->contact, $body);
        $place = $swivel->place($pose->knee);
        [$before, $here, $after] = [$swivel->pose($place - self::STEP), $swivel->pose($place), $swivel->pose($place + self::STEP)];
        [$tie, $slopes] = self::tie($free->capacity, $before, $here, $after) ?? [null, null];
        $outside = $free->outside($body);
        $held = new self($free, $place, $tie, $slopes, abs($pose->knee->z - LegChain::HALF_KNEE) < self::TIE, abs($pose->knee->y - $outside) < self::TIE, 0.0);

        return $held->with($free, ($held->off($after, $outside) - $held->off($before, $outside)) / (2 * self::STEP));
    }

    private function with(FreeKnee $free, float $slope): self
    {
        return new self($free, $this->radians, $this->tie, $this->slopes, $this->isOnFloor, $this->isOnEdge, $slope);
    }

    public function pose(Body $body): LegPose
    {
        $swivel = self::swivel($this->free->contact, $body);
        $place = $this->radians;
        $pose = $swivel->pose($place);
        if (0.0 === $this->slope) {
            return $pose;
        }
        $outside = $this->isOnEdge ? $this->free->outside($body) : 0.0;
        // The place hardly moves, and its slope less: one slope serves all bodies and all steps.
        for ($i = 0; $i < self::STEPS; ++$i) {
            $step = $this->off($pose, $outside) / $this->slope;
            if (abs($step) < self::STILL) {
                break;
            }
            $place -= $step;
            $pose = $swivel->pose($place);
        }

        return $pose;
    }

    /** By how much it is not where it belongs: on the floor, on the edge, or where two are short by the same. */
    private function off(LegPose $pose, float $outside): float
    {
        return match (true) {
            $this->isOnFloor => $pose->knee->z - LegChain::HALF_KNEE,
            $this->isOnEdge => $pose->knee->y - $outside,
            null !== $this->tie => self::margin($this->tie[0], $this->free->capacity, $pose) - self::margin($this->tie[1], $this->free->capacity, $pose),
            default => 0.0,
        };
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
        return $this->with($this->free->shifted($name, $by), $this->slope);
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
    private static function tie(Capacity $capacity, LegPose $before, LegPose $here, LegPose $after): ?array
    {
        // The knee's own angle is the same all along the swivel: it ties with nothing.
        $limited = array_values(array_filter(Component::cases(), static fn (Component $one): bool => Component::KneeFlexion !== $one && null !== $capacity->of($one)));
        usort($limited, static fn (Component $a, Component $b): int => self::margin($a, $capacity, $here) <=> self::margin($b, $capacity, $here));
        if (count($limited) < 2 || self::margin($limited[1], $capacity, $here) - self::margin($limited[0], $capacity, $here) > self::TIE) {
            return null;
        }
        $tie = [$limited[0], $limited[1]];
        $slope = static fn (Component $one): float => (self::margin($one, $capacity, $after) - self::margin($one, $capacity, $before)) / (2 * self::STEP);
        $slopes = [$slope($tie[0]), $slope($tie[1])];

        return $slopes[0] * $slopes[1] < 0.0 ? [$tie, $slopes] : null;
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
