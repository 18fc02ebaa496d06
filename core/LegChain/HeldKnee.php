<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/**
 * An ankle contact whose knee is where it was easiest for one body, while lengths change a little: what made
 * that place the easiest goes on holding, so that the place moves along. Two angles that were short by the
 * same go on being so; a knee on the edge of what is clear of the body, or of the floor, stays on the edge.
 * Anywhere else the margin is at its top, and to first order the place may stay.
 */
final readonly class HeldKnee implements ChainReading, Posture
{
    use IsReadByJoints;

    /** Margins nearer to each other than this, in degrees, are a tie; places nearer than this, in cm, are the edge. */
    private const TIE = 0.01;
    /** A step along the swivel for its slopes, in radians. */
    private const STEP = 1e-5;
    private const STEPS = 12;
    /** A step of less leaves a ten-thousandth of itself at most, in radians. */
    private const LAST = 1e-5;

    /**
     * @param float $radians where on the swivel
     * @param array{Component, Component}|null $tie the two angles that are short by the same
     * @param array{float, float}|null $slopes how their margins move along the swivel, in degrees per radian
     * @param bool $isOnFloor whether it lies on the floor
     * @param bool $isOnEdge whether it is as near to the midline as it may be
     * @param float $slope how that by which it would not be held moves along the swivel, a radian; nothing where
     *     nothing holds it
     */
    private function __construct(
        private FreeKnee $free,
        private float $radians,
        private ?array $tie,
        private ?array $slopes,
        private bool $isOnFloor,
        private bool $isOnEdge,
        private float $slope,
    ) {
    }

    /** @param LegPose $pose the position as this body has it */
    public static function of(FreeKnee $free, LegPose $pose, Body $body): self
    {
        $swivel = $free->swivel($body);
        $place = $swivel->place($pose->knee);
        [$tie, $slopes] = self::tie(
            $free->capacity,
            $swivel->angles($place - self::STEP),
            $swivel->angles($place),
            $swivel->angles($place + self::STEP),
        ) ?? [null, null];
        $outside = $free->outside($body);
        $held = new self(
            $free,
            $place,
            $tie,
            $slopes,
            abs($pose->knee->z - LegChain::HALF_KNEE) < self::TIE,
            abs($pose->knee->y - $outside) < self::TIE,
            0.0,
        );

        return $held->with(
            $free,
            ($held->off($swivel, $place + self::STEP, $outside) - $held->off($swivel, $place - self::STEP, $outside)) /
                (2 * self::STEP),
        );
    }

    private function with(FreeKnee $free, float $slope): self
    {
        return new self($free, $this->radians, $this->tie, $this->slopes, $this->isOnFloor, $this->isOnEdge, $slope);
    }

    public function joints(Body $body): array
    {
        $swivel = $this->free->swivel($body);
        $place = $this->radians;
        if (0.0 !== $this->slope) {
            $outside = $this->isOnEdge ? $this->free->outside($body) : 0.0;
            // The place hardly moves, and its slope less: one slope serves all bodies and all steps.
            for ($i = 0; $i < self::STEPS; ++$i) {
                $step = $this->off($swivel, $place, $outside) / $this->slope;
                $place -= $step;
                if (abs($step) < self::LAST) {
                    break;
                }
            }
        }

        return $swivel->joints($place);
    }

    public function pelvicTilt(): float
    {
        return $this->free->pelvicTilt();
    }

    /**
     * By how much a place is not where the knee belongs: on the floor, on the edge, or where two are short by the same.
     */
    private function off(Swivel $swivel, float $place, float $outside): float
    {
        if ($this->isOnFloor) {
            return $swivel->knee($place)[2] - LegChain::HALF_KNEE;
        }
        if ($this->isOnEdge) {
            return $swivel->knee($place)[1] - $outside;
        }
        if (null === $this->tie) {
            return 0.0;
        }
        $angles = $swivel->angles($place);

        return self::margin($this->tie[0], $this->free->capacity, $angles) -
            self::margin($this->tie[1], $this->free->capacity, $angles);
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
     * How much the worst margin moves with each of two that tie: the knee goes to where they are short by the same
     * again, and so makes good with one what the other lacks.
     *
     * @return array<string, float> shares of one by component; none where no two tie, or the knee cannot move
     */
    public function shares(): array
    {
        if (null === $this->tie || null === $this->slopes || $this->isOnFloor || $this->isOnEdge) {
            return [];
        }
        $sum = abs($this->slopes[0]) + abs($this->slopes[1]);

        return [
            $this->tie[0]->value => abs($this->slopes[1]) / $sum,
            $this->tie[1]->value => abs($this->slopes[0]) / $sum,
        ];
    }

    /**
     * @param array{float, float, float, float} $before degrees, a step before the place, and so on
     * @param array{float, float, float, float} $here
     * @param array{float, float, float, float} $after
     *
     * @return array{array{Component, Component}, array{float, float}}|null the two tightest, where moving on eases one
     *     and tightens the other, and how fast
     */
    private static function tie(Capacity $capacity, array $before, array $here, array $after): ?array
    {
        // The knee's own angle is the same all along the swivel: it ties with nothing.
        $margins = [];
        foreach ([Component::Flexion, Component::Abduction, Component::ExternalRotation] as $one) {
            if (null !== $capacity->of($one)) {
                $margins[] = [$one, self::margin($one, $capacity, $here)];
            }
        }
        usort($margins, static fn (array $one, array $other): int => $one[1] <=> $other[1]);
        if (!isset($margins[1]) || $margins[1][1] - $margins[0][1] > self::TIE) {
            return null;
        }
        $tie = [$margins[0][0], $margins[1][0]];
        $slope = static fn (Component $one): float => (self::margin($one, $capacity, $after) -
            self::margin($one, $capacity, $before)) /
            (2 * self::STEP);
        $slopes = [$slope($tie[0]), $slope($tie[1])];

        return $slopes[0] * $slopes[1] < 0.0 ? [$tie, $slopes] : null;
    }

    /** @param array{float, float, float, float} $angles flexion, abduction, rotation and knee flexion, in degrees */
    private static function margin(Component $component, Capacity $capacity, array $angles): float
    {
        return ($capacity->of($component) ?? INF) -
            match ($component) {
                Component::Flexion => $angles[0],
                Component::Abduction => $angles[1],
                Component::ExternalRotation => $angles[2],
                Component::KneeFlexion => $angles[3],
            };
    }
}
