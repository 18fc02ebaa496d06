<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * The error of angles by drawing bodies and readings at random, for where the chain bends too much
 * for first order. Seeded, so that the same question has the same answer. The body is drawn once
 * for both readings of a difference, since its error is shared; what was read is drawn for each.
 */
final class Sampling
{
    public const DRAWS = 2000;
    public const SEED = 1;

    /**
     * One SD of each component of a reading, or of a reading less another of the same body. A draw
     * that no leg can make is left out.
     *
     * @param array<string, float>|null $errors one SD of what was read; the reading's own when null
     * @param array<string, float> $otherErrors the same for the other reading, taken as exact by default
     *
     * @return array<string, float> degrees by component; infinite where too few draws could be made
     */
    public static function sd(
        Reading $reading,
        Body $body,
        BodyError $bodyError,
        ?Reading $other = null,
        ?array $errors = null,
        array $otherErrors = [],
        int $draws = self::DRAWS,
        int $seed = self::SEED,
    ): array {
        $random = new Randomizer(new Mt19937($seed));
        $errors ??= $reading->readingErrors();
        $sum = $squares = array_map(static fn (): float => 0.0, $centre = $reading->angles($body));
        $made = 0;
        $doubts = [];
        foreach (Segment::ofLeg() as $segment) {
            $doubts[$segment->value] = $bodyError->sd($segment);
        }
        $doubts = array_filter($doubts, static fn (float $sd): bool => $sd > 0.0);
        foreach (self::drawn($reading, $body, $doubts, $other, $errors, $otherErrors, $draws, $random) as $angles) {
            ++$made;
            foreach ($angles as $name => $value) {
                // Taken about the undisturbed value, where it is small, so that no digits are lost.
                $value -= $centre[$name];
                $sum[$name] += $value;
                $squares[$name] += $value * $value;
            }
        }
        $sd = [];
        foreach ($sum as $name => $total) {
            $sd[$name] = $made < $draws / 2 ? INF : sqrt(max(0.0, $squares[$name] / $made - ($total / $made) ** 2));
        }

        return $sd;
    }

    /**
     * The angles of each draw that a leg can make.
     *
     * @param array<string, float> $doubts one SD of each length that is not known exactly, in cm by segment
     * @param array<string, float> $errors
     * @param array<string, float> $otherErrors
     *
     * @return list<array<string, float>> degrees by component
     */
    private static function drawn(
        Reading $reading,
        Body $body,
        array $doubts,
        ?Reading $other,
        array $errors,
        array $otherErrors,
        int $draws,
        Randomizer $random,
    ): array {
        $angles = $legs = [];
        for ($i = 0; $i < $draws; ++$i) {
            try {
                $drawn = $body->with(array_map(static fn (float $sd): float => $sd * Normal::draw($random), $doubts));
                $one = self::draw($reading, $errors, $random);
                if (null === $other && $one instanceof KneeAtHeight) {
                    $legs[] = $one->leg($drawn);
                    continue;
                }
                $all = $one->angles($drawn);
                if (null !== $other) {
                    foreach (self::draw($other, $otherErrors, $random)->angles($drawn) as $name => $value) {
                        $all[$name] -= $value;
                    }
                }
                $angles[] = $all;
            } catch (OutOfReach|StraightKnee|InvalidValue) {
                continue;
            }
        }
        foreach (KneeAtHeight::batch($legs) as $one) {
            if (null !== $one) {
                $angles[] = [
                    'flexion' => $one[0],
                    'abduction' => $one[1],
                    'rotation' => $one[2],
                    'kneeFlexion' => $one[3],
                ];
            }
        }

        return $angles;
    }

    /** @param array<string, float> $errors */
    private static function draw(Reading $reading, array $errors, Randomizer $random): Reading
    {
        foreach ($errors as $name => $sd) {
            $reading = $sd > 0.0 ? $reading->shifted($name, $sd * Normal::draw($random)) : $reading;
        }

        return $reading;
    }
}
