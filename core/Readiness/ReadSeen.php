<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\RungDefinition;
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
        if (!$seen->isClean || !$seen->showsAngles) {
            return [];
        }
        $label = "seen {$seen->posture} {$seen->rung}";
        $bound = $seen->hangsFree ? Bound::Exact : Bound::AtLeast;
        $evidence = [];
        foreach ($rung->thresholds as $name => $least) {
            $evidence[] = new Evidence(Ability::from($name), $least, Bound::AtLeast, Uncertainty::none(), $label, on: $seen->on, at: $seen->at);
        }
        // A block as high as it takes says nothing until somebody has read how high.
        if (null === $rung->demand || (PropRule::None !== $rung->prop && [] === $seen->values)) {
            return $evidence;
        }
        try {
            $posture = $rung->demand->posture(new Capacity(), $proportions->stature->cm);
            foreach ($seen->values as $name => $value) {
                $now = $posture->props()[$name] ?? null;
                $posture = null === $now ? $posture : $posture->shifted($name, $value - $now);
            }
            if ($posture instanceof FreeKnee) {
                return $evidence;
            }
            $body = $proportions->body($seen->side);
            $pose = $posture instanceof ChainReading ? $posture->pose($body) : null;
            $sensitivity = Sensitivity::of($posture, $body);
            foreach (null === $pose ? $posture->angles($body) : $pose->angles->toArray() as $component => $degrees) {
                [$ability, $sign] = $rung->demand->ability(Component::from($component)) ?? [null, 1.0];
                if (null !== $ability) {
                    $evidence[] = new Evidence($ability, $sign * $degrees, $bound, $sensitivity->uncertainty(Component::from($component), $label.$seen->on->format('Y-m-d'))->times($sign), $label, on: $seen->on, position: $pose?->angles, at: $seen->at);
                }
            }
        } catch (\DomainException) {
            // A position that this body cannot be in: what was seen stands, and no angle is read off it.
        }

        return $evidence;
    }
}
