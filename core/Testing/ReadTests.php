<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\LegChain\Ability;

/** What all the tests of a person show. */
final readonly class ReadTests
{
    /**
     * All that they have ever said, however old: a series of readings.
     *
     * @param array<string, TestDefinition> $definitions by id
     * @param list<TakenTest> $taken
     *
     * @return array{left: list<Evidence>, right: list<Evidence>}
     */
    public static function series(array $definitions, array $taken, Proportions $proportions, ToolErrors $errors): array
    {
        $series = ['left' => [], 'right' => []];
        foreach ($taken as $test) {
            try {
                array_push(
                    $series[$test->side->value],
                    ...isset($definitions[$test->test])
                        ? ReadTest::evidence($definitions[$test->test], $test, $proportions->body($test->side), $errors)
                        : [],
                );
            } catch (UnreadableTest) {
                // Watched, or of a body that was measured anew since: it shows nothing.
                continue;
            }
        }

        return $series;
    }

    /**
     * Those of them that can still say anything. An exact reading is read together with those of the two weeks before
     * it: of a test that was read exactly since, what is older than that says nothing any more. A bound says nothing
     * beside a newer one of the same test that goes as far in all that it shows.
     *
     * @param array<string, TestDefinition> $definitions by id
     * @param list<TakenTest> $taken the newest first
     *
     * @return array{left: list<Evidence>, right: list<Evidence>}
     */
    public static function evidence(
        array $definitions,
        array $taken,
        Proportions $proportions,
        ToolErrors $errors,
    ): array {
        $evidence = [Side::Left->value => [], Side::Right->value => []];
        $newest = $bounds = [];
        foreach ($taken as $test) {
            $definition = $definitions[$test->test] ?? null;
            if (null === $definition) {
                continue;
            }
            $key = "$test->test {$test->side->value}";
            $body = $proportions->body($test->side);
            try {
                $bound = ReadTest::bound($definition, $test);
                if (
                    null !== $test->on
                    && Bound::Exact === $bound
                    && isset($newest[$key])
                    && Day::between($test->on, $newest[$key]) > AbilityReadings::DAYS_TOGETHER
                ) {
                    continue;
                }
                $values =
                    null !== $test->on && Bound::AtLeast === $bound
                        ? ReadTest::values($definition, $test, $body, $errors)
                        : null;
                if (null !== $values && self::goesNoFurther($values, $bounds[$key] ?? [])) {
                    continue;
                }
                $shown = ReadTest::evidence($definition, $test, $body, $errors);
                array_push($evidence[$test->side->value], ...$shown);
                if (null !== $values) {
                    $bounds[$key][] = $values;
                } elseif (Bound::Exact === $bound && [] !== $shown) {
                    $newest[$key] ??= $test->on;
                }
            } catch (UnreadableTest) {
                // Watched, or of a body that was measured anew since: it shows nothing.
            }
        }

        return $evidence;
    }

    /**
     * @param array<string, float> $values by ability
     * @param list<array<string, float>> $newer
     */
    private static function goesNoFurther(array $values, array $newer): bool
    {
        foreach ($newer as $other) {
            if (
                [] ===
                array_filter(
                    array_keys($values),
                    static fn (string $name): bool => Ability::from($name)->compare(
                        $values[$name],
                        $other[$name] ?? -INF,
                    ) > 0,
                )
            ) {
                return true;
            }
        }

        return [] === $values;
    }
}
