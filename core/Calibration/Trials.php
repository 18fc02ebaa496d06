<?php

declare(strict_types=1);

namespace LucidAscent\Core\Calibration;

use LucidAscent\Core\Statistics\Normal;
use Random\Randomizer;

/**
 * Numbers as they are written down: what all trials of a test share is off by one amount, and each trial by a little of
 * its own.
 */
final class Trials
{
    /** One SD of a trial about the others of its test: cm of a tape, degrees of an inclinometer, seconds. */
    private const APART = ['cm' => 0.3, 'degrees' => 1.0, 'seconds' => 1.5];

    /**
     * @param array<string, float> $numbers without any error
     * @param array<string, string> $units of those that are read, by name; the others are set up
     * @param array<string, float> $errors one SD of the mean of the trials by name, no less than their spread makes it;
     *     none where they share no error
     *
     * @return non-empty-list<array<string, float>>
     */
    public static function of(array $numbers, array $units, array $errors, int $count, Randomizer $random): array
    {
        $shared = [];
        foreach ($errors as $name => $sd) {
            $shared[$name] =
                sqrt(max(0.0, $sd ** 2 - self::ofMean($units[$name] ?? '', $count) ** 2)) * Normal::draw($random);
        }

        return array_map(static function (int $i) use ($numbers, $units, $shared, $random): array {
            $trial = $numbers;
            foreach ($units as $name => $unit) {
                $apart = self::apart($unit) * Normal::draw($random);
                // A time is what was managed once: the other trials fall short of it.
                $read = round(
                    $numbers[$name] +
                        ($shared[$name] ?? 0.0) +
                        ('seconds' === $unit ? (1 === $i ? 0.0 : -abs($apart)) : $apart),
                    1,
                );
                $trial[$name] = 'seconds' === $unit ? max(0.0, $read) : $read;
            }

            return $trial;
        }, range(1, max(1, $count)));
    }

    /** What the trials' own noise leaves in what is made of them: a mean, or the one best time. */
    private static function ofMean(string $unit, int $count): float
    {
        return 'seconds' === $unit ? 0.0 : self::apart($unit) / sqrt($count);
    }

    private static function apart(string $unit): float
    {
        return self::APART[$unit] ?? 0.0;
    }
}
