<?php

declare(strict_types=1);

namespace LucidAscent\Core\Calibration;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Statistics\Normal;
use Random\Randomizer;

/**
 * People as a teacher of yoga may meet them, drawn at random: how tall, how long in the leg, how far each joint goes.
 * All of it this product's own supposition. They are spread wider than people are, so that many are near a pose's
 * demand, where it is hard to tell.
 */
final class People
{
    private const STATURE = [169.0, 9.0];
    /** How many have been measured from landmark to landmark; the lengths of the others are estimated from stature. */
    private const MEASURED = 0.7;
    /** One SD between the lengths of left and right, in cm. */
    private const SIDES_APART = 0.3;
    /** Nobody is further from the middle than so many SD. */
    private const TAILS = 2.5;
    /**
     * @var array<string, array{float, float, float}> by ability: the middle, one SD between people, one SD between
     *     sides; degrees, cm of gap or block, seconds
     */
    private const SPREAD = [
        'flexion' => [122.0, 11.0, 3.0],
        'abduction' => [58.0, 11.0, 4.0],
        'rotation' => [86.0, 18.0, 7.0],
        'kneeFlexion' => [153.0, 7.0, 2.0],
        'adduction' => [22.0, 7.0, 3.0],
        'internal-rotation' => [38.0, 9.0, 4.0],
        'neutral-inward' => [35.0, 9.0, 4.0],
        'neutral-outward' => [40.0, 9.0, 4.0],
        'extension' => [13.0, 7.0, 3.0],
        'hamstrings' => [84.0, 17.0, 4.0],
        'ankle' => [32.0, 7.0, 2.0],
        'spine-extension' => [22.0, 14.0, 0.0],
        'spine-rotation' => [50.0, 11.0, 4.0],
        'side-bend' => [35.0, 8.0, 3.0],
        'shoulder-flexion' => [172.0, 9.0, 0.0],
        'shoulder-reach' => [6.0, 9.0, 4.0],
        'balance' => [28.0, 12.0, 4.0],
        'strength' => [50.0, 20.0, 0.0],
        'ease' => [1.0, 0.0, 0.0],
    ];
    /** How much sooner long inner thighs hold straight legs back than bent ones, in degrees. */
    private const STRAIGHT_LESS = [8.0, 4.0];
    /** How much less far a leg lifts by itself than it is drawn, in degrees. */
    private const LIFTED_LESS = [14.0, 5.0];

    public static function draw(Randomizer $random): TrueBody
    {
        $stature = Length::cm(round(self::within(self::STATURE[0], self::STATURE[1], $random), 1));
        $lengths = [];
        foreach (Segment::cases() as $segment) {
            $usual = $stature->cm * $segment->shareOfStature();
            $length = self::within($usual, $segment->estimateError($stature->cm), $random);
            foreach (Side::cases() as $side) {
                $lengths[Proportions::key($segment, $side)] = Length::cm(
                    $length + ($segment->isPaired() ? self::SIDES_APART * Normal::draw($random) : 0.0),
                );
            }
        }

        return new TrueBody(Proportions::of($stature, $lengths), self::abilities($random));
    }

    /** A body as it is on record: measured with a tape that errs, or estimated from stature. */
    public static function asMeasured(Proportions $true, Randomizer $random): Proportions
    {
        if (Normal::share($random) > self::MEASURED) {
            return Proportions::of($true->stature);
        }
        $lengths = [];
        foreach (Segment::cases() as $segment) {
            foreach (Side::cases() as $side) {
                $lengths[Proportions::key($segment, $side)] ??= Length::cm(
                    $true->length($segment, $side)->cm + $segment->measuringError() * Normal::draw($random),
                );
            }
        }

        return Proportions::of($true->stature, $lengths);
    }

    /** @return array<string, array<string, float>> by side and ability */
    private static function abilities(Randomizer $random): array
    {
        $abilities = [];
        foreach (self::SPREAD as $name => [$middle, $between, $sides]) {
            $person = self::within($middle, $between, $random);
            foreach (Side::cases() as $side) {
                $value = self::within($person, $sides, $random);
                $abilities[$side->value][$name] =
                    in_array(Ability::from($name)->unit(), ['seconds'], true)
                    || Ability::SpineExtension->value === $name
                        ? max(0.0, $value)
                        : $value;
            }
        }

        return array_map(
            static fn (array $can): array => $can + [
                'straight-abduction' => ($can['abduction'] ?? 0.0) -
                    max(0.0, self::within(self::STRAIGHT_LESS[0], self::STRAIGHT_LESS[1], $random)),
                // The heel comes to the seat as far as the knee folds.
                'quadriceps' => $can['kneeFlexion'] ?? 0.0,
                // Nobody lifts a leg by itself as far as a strap draws it.
                'active-lift' => ($can['hamstrings'] ?? 0.0) -
                    max(0.0, self::within(self::LIFTED_LESS[0], self::LIFTED_LESS[1], $random)),
            ],
            $abilities,
        );
    }

    private static function within(float $middle, float $sd, Randomizer $random): float
    {
        return $middle + $sd * max(-self::TAILS, min(self::TAILS, Normal::draw($random)));
    }
}
