<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\App\Exchange\Fields;
use LucidAscent\App\Lab\LabPosture;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\Posture\RungDemand;

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

    /**
     * What it loads, as a standard body with open hips would be in it.
     *
     * @return list<string>
     */
    public function loads(): array
    {
        $posture = $this->posture(StandardBody::openHips(), StandardBody::STATURE);
        $leg = StandardBody::leg();
        if ($posture instanceof ChainReading) {
            return Load::ofLeg($posture->pose($leg)->angles->toArray());
        }
        $asked = [];
        foreach ($posture->angles($leg) as $name => $degrees) {
            [$ability, $sign] = $this->ability(Component::from($name)) ?? [null, 1.0];
            if (null !== $ability) {
                $asked[$ability->value] = $sign * $degrees;
            }
        }

        return Load::ofThresholds($asked);
    }

    /** Whether both legs do the same in it. */
    public function usesBothLegs(): bool
    {
        return in_array($this->contact, [LabPosture::SolesTogether, LabPosture::WideLegs, LabPosture::Frog, LabPosture::DeepSquat, LabPosture::FullLotus], true);
    }

    /** Whether a test that was set up like this reads the same position. */
    public function isOf(string $contact): bool
    {
        return $this->contact->value === $contact;
    }

    public function values(): array
    {
        return array_map(floatval(...), $this->values);
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
