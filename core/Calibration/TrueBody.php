<?php

declare(strict_types=1);

namespace LucidAscent\Core\Calibration;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Core\Testing\UnreadableTest;

/**
 * Somebody made up, of whom everything is known: true lengths and true abilities. What a tool without any
 * error would read of them follows from those, by the same chain that reads tests.
 */
final class TrueBody
{
    private const HALVINGS = 30;
    /** The heights and spans among which one is sought, and in which steps, in cm. */
    private const MOST = 200.0;
    private const STEP = 4.0;
    /** In which steps a leg that is let down comes to its end, in cm. */
    private const DOWN = 0.5;
    /** Nobody is made to draw the heels nearer than this, in cm. */
    private const NEAREST = 14.0;
    private const FURTHEST = 60.0;

    private ?float $heels = null;

    /**
     * @param array<string, array<string, float>> $abilities true values by side and ability, in degrees, cm and seconds
     */
    public function __construct(public readonly Proportions $proportions, public readonly array $abilities)
    {
    }

    /** What a side can truly do, in the unit of the ability (degrees, cm or seconds). */
    public function can(Side $side, Ability $ability): float
    {
        return $this->abilities[$side->value][$ability->value];
    }

    /**
     * What one test shows on one side: of an ability that it isolates just this much; of several together as far
     * as the first of them lets the leg go.
     *
     * @param array<string, float> $fixed what is set up
     * @param string $free the number that follows
     *
     * @return array<string, float>|null the numbers by name; null when these abilities give no reading
     */
    public function numbers(TestDefinition $test, Side $side, array $fixed, string $free, Ability $shows): ?array
    {
        if (null === $test->formula->contact || 'angle' === $free) {
            return [...$fixed, $free => $this->can($side, $shows)];
        }
        if ($test->formula->is('soles-together')) {
            $fixed['heelDistance'] ??= $this->heels ??= $this->heels();

            $at = $this->lowestKnee($side, $fixed['heelDistance']);

            return null === $at ? null : [...$fixed, $free => $at];
        }
        $at =
            Bound::Exact === $test->shows($shows)
                ? $this->justSoMuch($test, $side, $fixed, $free, $shows)
                : $this->downToAnEnd($test, $side, $fixed, $free);

        return null === $at ? null : [...$fixed, $free => $at];
    }

    /** The heels as near as both sides let them come, in cm. */
    private function heels(): float
    {
        for ($heels = self::NEAREST; $heels < self::FURTHEST; $heels += 1.0) {
            if (null !== $this->lowestKnee(Side::Left, $heels) && null !== $this->lowestKnee(Side::Right, $heels)) {
                return $heels;
            }
        }

        return self::FURTHEST;
    }

    private function lowestKnee(Side $side, float $heels): ?float
    {
        $can = fn (Ability $ability): float => $this->can($side, $ability);
        $leg = new Capacity(
            $can(Ability::Flexion),
            $can(Ability::Abduction),
            $can(Ability::ExternalRotation),
            $can(Ability::KneeFlexion),
        );

        return LowestKnee::search(
            new SolesTogether($heels, new Sitting()),
            $this->proportions->body($side),
            $leg,
        )?->height();
    }

    /**
     * By halving.
     *
     * @param array<string, float> $fixed
     */
    private function justSoMuch(TestDefinition $test, Side $side, array $fixed, string $free, Ability $shows): ?float
    {
        $value = $this->can($side, $shows);
        $above = function (float $read) use ($test, $side, $fixed, $free, $shows, $value): ?bool {
            $shown = $this->shown($test, $side, [...$fixed, $free => $read])[$shows->value] ?? null;

            return null === $shown ? null : $shown > $value;
        };
        $last = null;
        for ($read = 0.0; $read <= self::MOST; $read += self::STEP) {
            $here = $above($read);
            if (null !== $here && null !== $last && $here !== $last) {
                [$low, $high] = [$read - self::STEP, $read];
                for ($i = 0; $i < self::HALVINGS; ++$i) {
                    $middle = ($low + $high) / 2;
                    ($above($middle) ?? $last) === $last ? ($low = $middle) : ($high = $middle);
                }

                return $low;
            }
            $last = $here ?? $last;
        }

        return null;
    }

    /** @param array<string, float> $fixed */
    private function downToAnEnd(TestDefinition $test, Side $side, array $fixed, string $free): ?float
    {
        for ($read = self::DOWN; $read <= self::FURTHEST; $read += self::DOWN) {
            $shown = $this->shown($test, $side, [...$fixed, $free => $read]);
            if (
                [] !== $shown
                && [] ===
                    array_filter(
                        $shown,
                        fn (float $value, string $name): bool => $value > $this->can($side, Ability::from($name)),
                        ARRAY_FILTER_USE_BOTH,
                    )
            ) {
                return $read;
            }
        }

        return null;
    }

    /**
     * @param non-empty-array<string, float> $numbers
     *
     * @return array<string, float> by ability; none where no leg is so
     */
    private function shown(TestDefinition $test, Side $side, array $numbers): array
    {
        try {
            return ReadTest::values(
                $test,
                new TakenTest($test->id, $side, Tool::Tape, [$numbers]),
                $this->proportions->body($side),
                ToolErrors::usual(),
            );
        } catch (UnreadableTest|InvalidValue) {
            return [];
        }
    }
}
