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
                $corrected[$one->corrects] = $one;
            }
        }
        $taken = $watched = [];
        foreach ($history->of(TestTaken::class) as $test) {
            $watched[$test->entry] = $test->test->isWatched;
        }
        foreach ($history->of(TestTaken::class) as $test) {
            if ($test->at <= $moment && !isset($corrected[$test->entry])) {
                [$first, $row] = self::row($test->entry, $corrections);
                $isWatched = !in_array(false, array_intersect_key($watched, array_flip($row)), true);
                $taken[] = null === $first ? $test->test : $test->test->as($first, $isWatched);
            }
        }
        usort($taken, static fn (TakenTest $a, TakenTest $b): int => $b->on <=> $a->on);

        return $taken;
    }

    /**
     * @param array<string, TestCorrected> $corrections by the newer entry
     *
     * @return array{\DateTimeImmutable|null, non-empty-list<string>} when the first of a row of corrections was taken,
     *     null for what corrects nothing; and the entries of the row
     */
    private static function row(string $entry, array $corrections): array
    {
        $first = null;
        $row = [$entry];
        $passed = [];
        // A row that leads back to itself can only have been carried in: it ends where it began.
        while (isset($corrections[$entry]) && !isset($passed[$entry])) {
            $passed[$entry] = $entry;
            $first = $corrections[$entry]->taken;
            $entry = $corrections[$entry]->corrects;
            $row[] = $entry;
        }

        return [$first, $row];
    }
}
