<?php

declare(strict_types=1);

namespace LucidAscent\App\Lab;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Capacities;

/**
 * How far one side goes, as the reading has it, with stand-ins, marked as such, for what nobody read; and what is held.
 */
final readonly class LabCapacity
{
    /**
     * Stand-ins, in degrees. Hip flexion and knee flexion: Soucie et al., Haemophilia (2011), men of
     * 20 to 44, from memory. Abduction: AAOS (1965), from memory. For the thigh's turn with hip and
     * knee folded there is no published norm; 60 is this product's own, and deliberately modest.
     */
    private const STAND_INS = [
        'flexion' => Capacities::FLEXION_TAKEN,
        'abduction' => 45.0,
        'rotation' => 60.0,
        'kneeFlexion' => 138.0,
    ];

    /**
     * @param array<string, bool> $isStandIn by component
     * @param array<string, Uncertainty> $uncertainty of what was read, by component
     */
    private function __construct(
        public Capacity $capacity,
        public array $isStandIn,
        public array $uncertainty,
        public Holds $holds,
    ) {
    }

    public static function of(Snapshot $person, Side $side): self
    {
        $limits = $isStandIn = $uncertainty = [];
        foreach (Component::cases() as $component) {
            $name = $component->value;
            $known = $person->capacities($side)->get(Ability::ofComponent($component));
            $isKnown = null !== $known && !$person->isTooOld($known->on());
            // Flexion and knee are rarely near their end where they were read by the way.
            $isTested =
                Component::ExternalRotation === $component
                || Component::Abduction === $component
                || [] !== array_filter($known->from ?? [], static fn ($e): bool => $e->isIsolating);
            $isStandIn[$name] = !$isKnown || (!$isTested && $known->value < self::STAND_INS[$name]);
            $limits[$name] = !$isKnown || $isStandIn[$name] ? self::STAND_INS[$name] : $known->value;
            $uncertainty[$name] = !$isKnown || $isStandIn[$name] ? Uncertainty::none() : $known->uncertainty;
        }

        return new self(
            new Capacity($limits['flexion'], $limits['abduction'], $limits['rotation'], $limits['kneeFlexion']),
            $isStandIn,
            $uncertainty,
            $person->holds,
        );
    }

    public static function standIn(Component $component): Source
    {
        return Component::ExternalRotation === $component ? Source::Own : Source::Memory;
    }
}
