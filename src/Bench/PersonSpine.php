<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\ReadPoses;

/** What is known of a person, as rows about the spine. */
final readonly class PersonSpine
{
    /**
     * @param list<string> $wanted poses
     *
     * @return list<SpineRow> abilities that were read, or that a wanted pose asks for, as the reading of the pose has
     *     it
     */
    public function rows(ReadPoses $poses, array $wanted): array
    {
        $asked = ['left' => [], 'right' => []];
        foreach ($wanted as $id) {
            foreach (Side::cases() as $side) {
                foreach ($poses->of($id, $side)->full()->margins as $margin) {
                    if (!$margin->isOtherLeg) {
                        $asked[$side->value][$margin->ability->value][] = [
                            'pose' => $poses->postures[$id]->name,
                            'value' => $margin->asked,
                        ];
                    }
                }
            }
        }
        $rows = [];
        foreach (Ability::cases() as $ability) {
            $name = $ability->value;
            [$left, $right] = [
                $poses->person->capacities(Side::Left)->get($ability),
                $poses->person->capacities(Side::Right)->get($ability),
            ];
            if (null !== $left || null !== $right || isset($asked['left'][$name]) || isset($asked['right'][$name])) {
                $rows[] = new SpineRow($ability, $left, $right, [
                    'left' => $asked['left'][$name] ?? [],
                    'right' => $asked['right'][$name] ?? [],
                ]);
            }
        }

        return $rows;
    }
}
