<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\StraightKnee;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\SolesTogetherTest;

/**
 * How far one side goes, as far as it is known: what soles-together sitting has shown, and stand-ins,
 * marked as such, for what it has not.
 */
final readonly class KnownCapacity
{
    /**
     * Stand-ins, in degrees. Hip flexion and knee flexion: Soucie et al., Haemophilia (2011), men of
     * 20 to 44, from memory. Abduction: AAOS (1965), from memory. For the thigh's turn with hip and
     * knee folded there is no published norm; 60 is this product's own, and deliberately modest.
     */
    private const STAND_INS = ['flexion' => 130.0, 'abduction' => 45.0, 'rotation' => 60.0, 'kneeFlexion' => 138.0];

    /** @param array<string, bool> $isStandIn by component */
    private function __construct(public Capacity $capacity, public array $isStandIn, public ?Sensitivity $seen)
    {
    }

    public static function of(?SolesTogetherTest $test, Proportions $proportions, \DateTimeImmutable $now): self
    {
        $shown = null;
        $seen = null;
        if (null !== $test && (int) $test->on->diff($now)->format('%r%a') <= HalfLotusReading::DAYS_VALID) {
            try {
                $body = $proportions->body($test->side);
                $shown = $test->reading()->pose($body)->angles;
                $seen = $test->sensitivity($body);
            } catch (OutOfReach|StraightKnee) {
                // A reading that fits no leg shows nothing.
            }
        }
        $limits = $isStandIn = [];
        foreach (Component::cases() as $component) {
            $standIn = self::STAND_INS[$component->value];
            // Rotation and abduction are what this sitting tests; the other two are rarely near their end in it.
            $tested = Component::Rotation === $component || Component::Abduction === $component;
            $degrees = $shown?->of($component);
            $isStandIn[$component->value] = null === $degrees || (!$tested && $degrees < $standIn);
            $limits[$component->value] = $isStandIn[$component->value] ? $standIn : $degrees;
        }

        return new self(
            new Capacity($limits['flexion'], $limits['abduction'], $limits['rotation'], $limits['kneeFlexion']),
            $isStandIn,
            $seen,
        );
    }

    public static function standIn(Component $component): Source
    {
        return Component::Rotation === $component ? Source::Own : Source::Memory;
    }
}
