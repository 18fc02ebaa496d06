<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;

use function is_finite;

/**
 * The joint angles of one leg, in degrees, in the pelvis's frame. Standing straight is all zero.
 *
 * Order of rotation: flexion about the pelvis's side-to-side axis, abduction about the floating
 * axis, external rotation about the thigh's long axis; then knee flexion, a hinge on the thigh's
 * own axis. Source: Grood & Suntay (1983); Wu et al., ISB recommendation, J Biomech (2002).
 */
final readonly class LegAngles
{
    /** @throws InvalidValue when an angle is not finite */
    public function __construct(
        public float $flexion,
        public float $abduction,
        public float $rotation,
        public float $kneeFlexion,
    ) {
        // A sum is finite only when all of its parts are: one question for the four in the usual case.
        if (!is_finite($flexion + $abduction + $rotation + $kneeFlexion)) {
            Check::finite('flexion', $flexion);
            Check::finite('abduction', $abduction);
            Check::finite('rotation', $rotation);
            Check::finite('kneeFlexion', $kneeFlexion);
        }
    }

    /** In degrees. */
    public function of(Component $component): float
    {
        return match ($component) {
            Component::Flexion => $this->flexion,
            Component::Abduction => $this->abduction,
            Component::ExternalRotation => $this->rotation,
            Component::KneeFlexion => $this->kneeFlexion,
        };
    }

    /** @return array<string, float> degrees by component */
    public function toArray(): array
    {
        return [
            'flexion' => $this->flexion,
            'abduction' => $this->abduction,
            'rotation' => $this->rotation,
            'kneeFlexion' => $this->kneeFlexion,
        ];
    }
}
