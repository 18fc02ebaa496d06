<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\Figure\Leg\ByAngles;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Vector;

/**
 * The way that a leg would still have to go: from where a joint ends, by what was shown, to where a pose asks it to be,
 * the other angles staying. The ankle swings about the thigh and the knee, the knee about the hip.
 */
final readonly class Swing
{
    /** Degrees from one point of it to the next. */
    private const STEP = 3.0;

    /**
     * @param list<Vector> $points cm, ground frame: of the ankle or the knee, from what is shown to what is asked
     * @param Vector $about the joint next to it, from which the leg hangs there
     */
    private function __construct(public array $points, public Vector $about)
    {
    }

    /**
     * @param LegAngles $asked of the leg that works
     * @param float $shown of that component, in degrees
     *
     * @return self|null null where nothing is missing
     */
    public static function of(Figure $figure, LegAngles $asked, Component $component, float $shown): ?self
    {
        $missing = $asked->of($component) - $shown;
        if ($missing < self::STEP) {
            return null;
        }
        $side = $figure->working->value;
        $hip = new Joint($figure->point("$side-hip"), $figure->frames['pelvis'], $figure->working, $figure->physique);
        $isOfAnkle = Component::ExternalRotation === $component || Component::KneeFlexion === $component;
        $steps = (int) ceil($missing / self::STEP);
        $limbs = array_map(
            static fn (int $step): Limb => (new ByAngles(
                self::with($asked, $component, $shown + ($missing * $step) / $steps),
            ))->place($hip),
            range(0, $steps),
        );

        return new self(
            array_map(static fn (Limb $limb): Vector => $isOfAnkle ? $limb->end : $limb->middle, $limbs),
            $isOfAnkle ? $limbs[0]->middle : $limbs[0]->root,
        );
    }

    private static function with(LegAngles $angles, Component $component, float $degrees): LegAngles
    {
        return new LegAngles(
            Component::Flexion === $component ? $degrees : $angles->flexion,
            Component::Abduction === $component ? $degrees : $angles->abduction,
            Component::ExternalRotation === $component ? $degrees : $angles->rotation,
            Component::KneeFlexion === $component ? $degrees : $angles->kneeFlexion,
        );
    }
}
