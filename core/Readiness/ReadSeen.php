<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Posture\RungDemand;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;

/**
 * What a rung that was seen clean shows: every angle that it asks of this body, at the heights that were
 * read, at least; exactly where the limb hung free on nothing but the prop. Where a knee is free nobody
 * can say where it was, and what the swivel leaves open is not shown.
 */
final class ReadSeen
{
    /** @return list<Evidence> none for what was not clean, or cannot be reckoned */
    public static function evidence(Seen $seen, RungDefinition $rung, Proportions $proportions): array
    {
        return self::leg($seen, $rung->thresholds, $rung->demand, $rung->prop, $seen->side, $proportions);
    }

    /** In the place of a test: what it was read in. */
    public static function label(string $posture, string $rung): string
    {
        return "seen $posture $rung";
    }

    /** @return list<Evidence> of the other leg, which had its own part in it */
    public static function ofOtherLeg(Seen $seen, RungDefinition $rung, Proportions $proportions): array
    {
        return self::leg(
            $seen,
            $rung->otherLeg,
            $rung->otherDemand,
            PropRule::None,
            $seen->side->opposite(),
            $proportions,
        );
    }

    /**
     * @param array<string, float> $thresholds
     *
     * @return list<Evidence>
     */
    private static function leg(
        Seen $seen,
        array $thresholds,
        ?RungDemand $demand,
        PropRule $prop,
        Side $side,
        Proportions $proportions,
    ): array {
        if (!$seen->isClean || !$seen->showsAngles) {
            return [];
        }
        $label = self::label($seen->posture, $seen->rung);
        // The heights, and whether the limb hung free, are of the side itself.
        $isOwn = $side === $seen->side;
        $bound = $isOwn && $seen->hangsFree ? Bound::Exact : Bound::AtLeast;
        $evidence = [];
        foreach ($thresholds as $name => $least) {
            $evidence[] = new Evidence(
                Ability::from($name),
                $least,
                Bound::AtLeast,
                Uncertainty::none(),
                $label,
                on: $seen->on,
                at: $seen->at,
            );
        }
        // A block as high as it takes says nothing until somebody has read how high.
        if (null === $demand || ($prop->decidesDemand() && [] === $seen->values)) {
            return $evidence;
        }
        try {
            $posture = $demand->posture(new Capacity(), $proportions->upper($side));
            foreach ($isOwn ? $seen->values : [] as $name => $value) {
                $now = $posture->props()[$name] ?? null;
                $posture = null === $now ? $posture : $posture->shifted($name, $value - $now);
            }
            if ($posture instanceof FreeKnee) {
                return $evidence;
            }
            $body = $proportions->body($side);
            $pose = $posture instanceof ChainReading ? $posture->pose($body) : null;
            $sensitivity = Sensitivity::of($posture, $body);
            foreach ($posture->angles($body) as $component => $degrees) {
                $shown = $demand->ability(Component::from($component));
                if (null !== $shown) {
                    [$ability, $sign] = $shown;
                    $evidence[] = new Evidence(
                        $ability,
                        $sign * $degrees,
                        $bound,
                        $sensitivity
                            ->uncertainty(Component::from($component), $label.$seen->on->format('Y-m-d'))
                            ->times($sign),
                        $label,
                        on: $seen->on,
                        position: $pose?->angles,
                        at: $seen->at,
                    );
                }
            }
        } catch (\DomainException) {
            // A position that this body cannot be in: what was seen stands, and no angle is read off it.
        }

        return $evidence;
    }
}
