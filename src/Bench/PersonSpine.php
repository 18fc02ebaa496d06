<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Exchange\Fields;
use LucidAscent\App\Lab\LabPosture;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Testing\Ability;
use LucidAscent\Core\Testing\Capacities;

/** What is known of a person, as rows about the spine. */
final readonly class PersonSpine
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param array{left: Capacities, right: Capacities} $capacities
     * @param list<string> $wanted poses
     *
     * @return list<SpineRow> abilities that were read, or that a wanted pose asks for
     */
    public function rows(array $capacities, array $wanted, Proportions $proportions): array
    {
        $asked = [];
        foreach (Side::cases() as $side) {
            $asked[$side->value] = $this->asked($wanted, $proportions, $side, $capacities[$side->value]);
        }
        $rows = [];
        foreach (Ability::cases() as $ability) {
            $name = $ability->value;
            [$left, $right] = [$capacities['left']->get($ability), $capacities['right']->get($ability)];
            if (null !== $left || null !== $right || isset($asked['left'][$name])) {
                $rows[] = new SpineRow($ability, $left, $right, ['left' => $asked['left'][$name] ?? [], 'right' => $asked['right'][$name] ?? []]);
            }
        }

        return $rows;
    }

    /**
     * What the full form of each wanted pose asks of this leg.
     *
     * @param list<string> $wanted
     *
     * @return array<string, list<array{pose: string, value: float}>> by ability
     */
    private function asked(array $wanted, Proportions $proportions, Side $side, Capacities $capacities): array
    {
        $asked = [];
        foreach ($wanted as $id) {
            $posture = $this->catalogue->entry(Kind::Posture, $id);
            if (null === $posture) {
                continue;
            }
            $demand = $posture['rungs'][count($posture['rungs']) - 1]['demand'];
            foreach ($demand['thresholds'] ?? [] as $threshold) {
                $asked[$threshold['component']][] = ['pose' => $posture['name'], 'value' => (float) $threshold['at_least']['value']];
            }
            $contact = LabPosture::tryFrom($demand['contact'] ?? '');
            if (null === $contact) {
                continue;
            }
            try {
                foreach ($contact->posture(Fields::of($demand['values']), $capacities->ofLeg(), $proportions->stature->cm)->angles($proportions->body($side)) as $component => $value) {
                    $asked[$component][] = ['pose' => $posture['name'], 'value' => $value];
                }
            } catch (\DomainException) {
                // This body cannot be there at all: the route says so, the spine has no mark for it.
            }
        }

        return $asked;
    }
}
