<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;

/**
 * How far a leg goes, in degrees by component. Taken as one limit per axis; a component that is
 * null sets no limit, and so decides nothing.
 */
final class Capacity
{
    private ?string $name = null;

    /** @throws InvalidValue when a number is not finite */
    public function __construct(
        public readonly ?float $flexion = null,
        public readonly ?float $abduction = null,
        public readonly ?float $rotation = null,
        public readonly ?float $kneeFlexion = null,
    ) {
        foreach (Component::cases() as $component) {
            $limit = $this->of($component);
            if (null !== $limit) {
                Check::finite('capacity.'.$component->value, $limit);
            }
        }
    }

    /** What tells it from any other. */
    public function name(): string
    {
        return $this->name ??= json_encode(
            [$this->flexion, $this->abduction, $this->rotation, $this->kneeFlexion],
            JSON_THROW_ON_ERROR,
        );
    }

    /** Degrees; null where nothing limits it. */
    public function of(Component $component): ?float
    {
        return match ($component) {
            Component::Flexion => $this->flexion,
            Component::Abduction => $this->abduction,
            Component::ExternalRotation => $this->rotation,
            Component::KneeFlexion => $this->kneeFlexion,
        };
    }

    /** Capacity less demand of the tightest component, in degrees; infinite when nothing is limited. */
    public function worstMargin(LegAngles $demand): float
    {
        return $this->worstOf($demand->flexion, $demand->abduction, $demand->rotation, $demand->kneeFlexion);
    }

    /** The same of four angles in degrees. */
    public function worstOf(float $flexion, float $abduction, float $rotation, float $kneeFlexion): float
    {
        // Spelt out, since searches over knee heights and swivels come through here at every step.
        $worst = INF;
        if (null !== $this->flexion) {
            $worst = $this->flexion - $flexion;
        }
        if (null !== $this->abduction) {
            $worst = min($worst, $this->abduction - $abduction);
        }
        if (null !== $this->rotation) {
            $worst = min($worst, $this->rotation - $rotation);
        }
        if (null !== $this->kneeFlexion) {
            $worst = min($worst, $this->kneeFlexion - $kneeFlexion);
        }

        return $worst;
    }

    /** The component with the least margin, or null when nothing is limited. */
    public function limiter(LegAngles $demand): ?Component
    {
        $tightest = null;
        $worst = INF;
        foreach (Component::cases() as $component) {
            $limit = $this->of($component);
            if (null !== $limit && $limit - $demand->of($component) < $worst) {
                $worst = $limit - $demand->of($component);
                $tightest = $component;
            }
        }

        return $tightest;
    }
}
