<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDemand;
use LucidAscent\Core\Statistics\Normal;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Capacities;
use LucidAscent\Core\Testing\Norms;

/**
 * What a position asks of a leg that its posture is not known by, and that nobody has read: usually there is enough of
 * it, and so it closes nothing. The more it asks, the more it is worth a reading before somebody is told that all is
 * open.
 */
final readonly class Unasked
{
    /** How far people are from the norm, one SD in degrees: this product's own. */
    private const SPREAD = 10.0;

    private function __construct(public Ability $ability, public float $degrees, public Side $leg)
    {
    }

    /** @return list<self> */
    public static function of(
        LegAsked $leg,
        ?RungDemand $demand,
        PostureDefinition $posture,
        Capacities $capacities,
        Side $side,
    ): array {
        $unasked = [];
        foreach ($leg->angles as $name => $degrees) {
            $asked = $demand?->ability(Component::from($name));
            if (null !== $asked && !self::counts($asked[0], $posture, $capacities)) {
                $unasked[] = new self($asked[0], $asked[1] * $degrees, $side);
            }
        }

        return $unasked;
    }

    /** The posture's own abilities count; others only where a shortage is known for sure. */
    public static function counts(Ability $ability, PostureDefinition $posture, Capacities $capacities): bool
    {
        return in_array($ability, $posture->abilities, true) || Bound::Exact === $capacities->get($ability)?->bound;
    }

    /** How likely somebody of whom nothing is known lacks it; nothing is said where there is no norm. */
    public function chanceShort(Capacities $capacities): float
    {
        $norms = array_column(Norms::of($this->ability), 'degrees');
        if ([] === $norms || ($capacities->get($this->ability)->value ?? -INF) >= $this->degrees) {
            return 0.0;
        }

        return Normal::below(($this->degrees - max($norms)) / self::SPREAD);
    }
}
