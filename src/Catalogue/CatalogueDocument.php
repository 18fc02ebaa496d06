<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Posture\RungDefinition;

/** The whole catalogue as one document, with what is derived: its shape is catalogue/schema/catalogue.json. */
final readonly class CatalogueDocument
{
    /**
     * @param array<string, array<string, array<string, mixed>>> $entries by kind and id
     *
     * @return array<string, mixed>
     */
    public static function of(array $entries): array
    {
        $drawn = new DrawnShapes($entries[Kind::Posture->value]);

        return [
            'postures' => array_values(
                array_map(
                    static fn (array $posture): array => self::posture($posture, $drawn),
                    $entries[Kind::Posture->value],
                ),
            ),
            'drills' => array_values($entries[Kind::Drill->value]),
            'tests' => array_values(
                array_map(
                    static fn (array $test): array => ['loads' => Definitions::ofTest($test, $drawn)->work->loads] +
                        self::objects($test),
                    $entries[Kind::Test->value],
                ),
            ),
            'schools' => array_values($entries[Kind::School->value]),
            'cautions' => array_values(array_map(self::objects(...), $entries[Kind::Caution->value])),
            'feelings' => array_merge(
                ...array_values(
                    array_map(static fn (array $group): array => $group['items'], $entries[Kind::Feeling->value]),
                ),
            ),
        ];
    }

    /**
     * @param array<string, mixed> $posture
     *
     * @return array<string, mixed>
     */
    private static function posture(array $posture, DrawnShapes $drawn): array
    {
        $of = Definitions::ofPosture($posture, $drawn)->shapes();
        $rungs = array_map(
            static fn (array $rung): array => self::rung($rung, $of[$rung['id']]),
            array_values(Shapes::of($posture)),
        );

        return ['rungs' => $rungs] +
            self::objects(array_diff_key($posture, ['forms' => true])) + [
                'also' => [],
                'sanskrit' => [],
                'purposes' => [],
                'remedies' => [],
            ];
    }

    /**
     * @param array<string, mixed> $rung
     *
     * @return array<string, mixed>
     */
    private static function rung(array $rung, RungDefinition $definition): array
    {
        return ['loads' => $definition->work->loads, 'gentle' => $definition->work->isGentle] +
            self::objects($rung) + ['cues' => [], 'felt' => [], 'drills' => []];
    }

    /**
     * What is a map stays one when it is empty.
     *
     * @param array<string, mixed> $entry
     *
     * @return array<string, mixed>
     */
    private static function objects(array $entry): array
    {
        foreach ($entry as $name => $value) {
            if (is_array($value)) {
                $entry[$name] =
                    [] === $value && in_array($name, ['values', 'relations', 'changes', 'proves'], true)
                        ? new \stdClass()
                        : self::objects($value);
            }
        }

        return $entry;
    }
}
