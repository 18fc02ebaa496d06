<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Body\UpperLengths;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Prop;

/**
 * Whether a full form asks of everything at least what the rungs under it and the postures that it needs ask, at the
 * same prop and of the same leg, for a small body, an average one and a tall one.
 *
 * Otherwise somebody could be told that a pose is open who is short of what leads there.
 */
final class DemandOrder
{
    /** Small, average and tall, in cm. */
    public const STATURES = [150.0, 170.0, 190.0];
    /** No test tells two demands apart that are nearer than this, in degrees, cm or seconds (this product's own). */
    private const NEAR = 1.0;
    /** Props that a full form may be set up on otherwise than the rungs under it. */
    private const PROPS = [Prop::Seat, Prop::KneeBlock, Prop::AnkleBlock, Prop::HipBlock];

    /**
     * @param array<string, PostureDefinition> $postures by id
     * @param Capacity $hips where a free knee goes
     *
     * @return list<AsksLess> the most that is missing of each ability and leg
     */
    public static function lacking(PostureDefinition $posture, array $postures, Capacity $hips): array
    {
        $full = $posture->full();
        $before = [];
        foreach (array_slice($posture->rungs, 0, -1) as $rung) {
            $before[$rung->id] = $rung;
        }
        foreach (array_intersect_key($postures, array_flip($posture->needs)) as $id => $needed) {
            $before[$id] = $needed->full();
        }
        $most = [];
        foreach (self::STATURES as $stature) {
            $asked = self::asked($full, $full, $stature, $hips);
            foreach ($before as $id => $rung) {
                foreach (self::asked($rung, $full, $stature, $hips) as $key => $degrees) {
                    $less = $degrees - ($asked[$key] ?? -INF);
                    [$name, $leg] = explode(' ', $key);
                    $ability = Ability::from($name);
                    // An angle of nothing is asked of everybody; hands a strap apart are asked for.
                    $isAsked = $degrees > self::NEAR || Ability::ShoulderReach === $ability;
                    if ($isAsked && $less > max(self::NEAR, $most[$key][0] ?? 0.0)) {
                        $most[$key] = [
                            $less,
                            new AsksLess($ability, 'other' === $leg, $asked[$key] ?? null, $degrees, $id),
                        ];
                    }
                }
            }
        }

        return array_column(array_values($most), 1);
    }

    /**
     * What a rung asks of each ability and leg of a body of this stature.
     *
     * @param RungDefinition $full whose props it is set up on, as far as it has them
     *
     * @return array<string, float> in degrees, cm or seconds, by ability and leg: "flexion this"
     */
    private static function asked(
        RungDefinition $rung,
        RungDefinition $full,
        float $stature,
        Capacity $hips,
    ): array {
        $asked = [];
        $body = Proportions::of(Length::cm($stature))->body(Side::Left);
        $upper = UpperLengths::ofStature($stature);
        foreach (
            [
                'this' => [$rung->thresholds, $rung->demand, $full->demand],
                'other' => [$rung->otherLeg, $rung->otherDemand, $full->otherDemand],
            ] as $leg => [$thresholds, $demand, $of]
        ) {
            foreach ($thresholds as $ability => $least) {
                $asked["$ability $leg"] = max($least, $asked["$ability $leg"] ?? -INF);
            }
            if (null === $demand) {
                continue;
            }
            try {
                foreach (
                    self::onThePropsOf($demand->posture($hips, $upper), $of?->posture($hips, $upper))->angles(
                        $body,
                    ) as $component => $degrees
                ) {
                    $shown = $demand->ability(Component::from($component));
                    if (null !== $shown) {
                        $key = $shown[0]->value." $leg";
                        $asked[$key] = max($shown[1] * $degrees, $asked[$key] ?? -INF);
                    }
                }
            } catch (\DomainException) {
                // A body of these lengths cannot be there on these props: then nothing is asked of it there.
            }
        }

        return $asked;
    }

    private static function onThePropsOf(Posture $posture, ?Posture $other): Posture
    {
        $props = $posture->props();
        $laid = $other?->props() ?? [];
        foreach (self::PROPS as $prop) {
            $wanted = $laid[$prop->value] ?? null;
            if (null !== $wanted && isset($props[$prop->value])) {
                $posture = $posture->shifted($prop->value, $wanted - $props[$prop->value]);
            }
        }

        return $posture;
    }
}
