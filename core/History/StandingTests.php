<?php

declare(strict_types=1);

namespace LucidAscent\Core\History;

use LucidAscent\Core\History\Entry\TestCorrected;
use LucidAscent\Core\History\Entry\TestTaken;
use LucidAscent\Core\Testing\TakenTest;

/**
 * The tests as they stood at a moment: what was corrected only later is as it was. A correction is of the day of what
 * it corrects, however often that was corrected before; only the newest of them stands.
 */
final readonly class StandingTests
{
    /** @return list<TakenTest> the newest first; of one moment in the order of the history */
    public static function at(History $history, \DateTimeImmutable $moment): array
    {
        $corrections = $corrected = [];
        foreach ($history->of(TestCorrected::class) as $one) {
            $corrections[$one->entry] = $one;
            if ($one->at <= $moment) {
                $corrected[$one->corrects] = true;
            }
        }
        $taken = [];
        foreach ($history->of(TestTaken::class) as $test) {
            if ($test->at <= $moment && !isset($corrected[$test->entry])) {
                $first = self::first($test->entry, $corrections);
                $taken[] = null === $first ? $test->test : $test->test->as($first);
            }
        }
        usort($taken, static fn (TakenTest $a, TakenTest $b): int => $b->on <=> $a->on);

        return $taken;
    }

    /**
     * @param array<string, TestCorrected> $corrections by the newer entry
     *
     * @return \DateTimeImmutable|null when the first of a row of corrections was taken; null for what corrects nothing
     */
    private static function first(string $entry, array $corrections): ?\DateTimeImmutable
    {
        $first = null;
        $passed = [];
        // A row that leads back to itself can only have been carried in: it ends where it began.
        while (isset($corrections[$entry]) && !isset($passed[$entry])) {
            $passed[$entry] = true;
            $first = $corrections[$entry]->taken;
            $entry = $corrections[$entry]->corrects;
        }

        return $first;
    }
}
