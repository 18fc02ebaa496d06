<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Sitting;

/**
 * What a number that is read in a test can be, and whether a trial can be of this body: wherever numbers are typed, by
 * whomever.
 */
final readonly class TrialCheck
{
    /** By unit: beyond them no tape was held to a person, no joint bends, and nothing was held. */
    private const RANGES = [
        'cm' => [-60.0, TakenTest::FURTHEST],
        'degrees' => [-90.0, 200.0],
        'seconds' => [0.0, TakenTest::LONGEST],
        'yes or no' => [0.0, 1.0],
    ];

    /** @return array{float, float} least and most of a number of a test, in its unit */
    public static function range(TestDefinition $test, string $name): array
    {
        $unit = $test->measured[$name] ?? 'cm';
        [$least, $most] = self::RANGES[$unit] ?? self::RANGES['cm'];

        // Only a gap between two hands can be less than nothing.
        return ['cm' === $unit && !$test->formula->is(Formula::STRAP_GAP) ? 0.0 : $least, $most];
    }

    /** Whether a number can have been read at all, in cm, degrees or seconds as the test measures it. */
    public static function isInRange(TestDefinition $test, string $name, float $value): bool
    {
        [$least, $most] = self::range($test, $name);

        return $value >= $least && $value <= $most;
    }

    /**
     * Of a test as it stands on record, whoever wrote it down.
     *
     * @param TestDefinition|null $test null where nobody here knows what it measures
     *
     * @throws InvalidValue when one of its numbers can have been read of nobody
     */
    public static function of(?TestDefinition $test, TakenTest $taken): void
    {
        $taken->check();
        if (null === $test) {
            return;
        }
        foreach ($taken->trials as $trial) {
            foreach (array_intersect_key($trial, $test->measured) as $name => $value) {
                [$least, $most] = self::range($test, $name);
                Check::within($name, $value, $least, $most, $test->measured[$name]);
            }
        }
    }

    /** Whether somebody can have read all of its numbers. */
    public static function isReadable(?TestDefinition $test, TakenTest $taken): bool
    {
        try {
            self::of($test, $taken);

            return true;
        } catch (InvalidValue) {
            return false;
        }
    }

    /** Why a test shows nothing of this body, whatever its numbers are; null where it shows something. */
    public static function showsNothing(TestDefinition $test, TakenTest $taken, Proportions $proportions): ?string
    {
        try {
            ReadTest::values($test, $taken, $proportions->body($taken->side), ToolErrors::usual());

            return null;
        } catch (UnreadableTest $e) {
            return $e->showsNothing() ? $e->getMessage() : null;
        }
    }

    /**
     * Whether a leg of this body can give these numbers.
     *
     * @param array<string, float> $trial by name, in cm, degrees and seconds
     */
    public static function isOfBody(
        TestDefinition $test,
        array $trial,
        Side $side,
        Tool $tool,
        Sitting $sitting,
        Proportions $proportions,
    ): bool {
        if (!$test->isMeasured()) {
            return true;
        }
        try {
            ReadTest::evidence(
                $test,
                new TakenTest($test->id, $side, $tool, [$trial], sitting: $sitting),
                $proportions->body($side),
                ToolErrors::usual(),
            );

            return true;
        } catch (UnreadableTest $e) {
            // Hands reach high blocks, whoever kneels there: it is kept, and shows nothing.
            return $e->isOfBody();
        } catch (InvalidValue) {
            return false;
        }
    }
}
