<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\App\Exchange\Fields;
use LucidAscent\App\Lab\LabPosture;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\Posture\RungDemand;
use LucidAscent\Core\Testing\Ability;

/** A rung's leg position as the catalogue writes it down. */
final readonly class CatalogueDemand implements RungDemand
{
    /** @param array<string, float|int> $values the position's own numbers, in cm and degrees */
    public function __construct(private LabPosture $contact, private array $values)
    {
    }

    public function posture(Capacity $capacity, float $stature): Posture
    {
        return $this->contact->posture(Fields::of($this->values), $capacity, $stature);
    }

    public function ability(Component $component): ?array
    {
        return match ($this->contact) {
            LabPosture::WideLegs => [Ability::StraightAbduction, 1.0],
            LabPosture::LegRaise => [Ability::Hamstrings, 1.0],
            LabPosture::CowFace => Component::Abduction === $component ? [Ability::Adduction, -1.0] : [Ability::ofComponent($component), 1.0],
            // The pelvis of the deep pigeon tips as it will, and takes the hip's share with it; the rungs before say what the hip needs.
            LabPosture::DeepPigeonBack => Component::KneeFlexion === $component ? [Ability::Quadriceps, 1.0] : null,
            default => [Ability::ofComponent($component), 1.0],
        };
    }
}
