<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Practice;

use LucidAscent\Core\Practice\TwoWays;
use PHPUnit\Framework\TestCase;

/** Two set-ups tried in turn, and when a difference between them counts. */
final class TwoWaysTest extends TestCase
{
    public function testTheyTakeTurnsSoThatWhatGrowsWithTheWeeksFallsOnBothAlike(): void
    {
        $turns = [];
        for ($tried = []; null !== ($next = (new TwoWays($tried))->next()); $tried[] = [$next, 0.0]) {
            self::assertSame(10 - count($tried), (new TwoWays($tried))->left());
            self::assertSame($next, (new TwoWays([]))->next(count($tried)), 'Told ahead as it comes.');
            $turns[] = $next;
        }
        self::assertSame([1, 2, 2, 1, 1, 2, 2, 1, 1, 2], $turns);
        self::assertSame(0, (new TwoWays($tried))->left());
        self::assertNull((new TwoWays([]))->next(10));
    }

    public function testNothingIsSaidBeforeEachWasTriedFiveTimes(): void
    {
        $numbers = array_map(static fn (float $number): array => [1, $number], [1.0, 2.0, 3.0, 4.0, 5.0]);
        $more = array_map(static fn (float $number): array => [2, $number], [11.0, 12.0, 13.0, 14.0]);
        self::assertNull((new TwoWays([...$numbers, ...$more]))->result());
        self::assertNull((new TwoWays($numbers))->means()[2]);
        self::assertNotNull((new TwoWays([...$numbers, ...$more, [2, 15.0]]))->result());
    }

    /**
     * Worked by hand: 1 to 5 and 1 to 5 moved by d have a pooled variance of 2.5 and a standard error of
     * sqrt(2.5 * 2 / 5) = 1; Student's t for 8 degrees of freedom at 95 % is 2.306 (printed tables).
     */
    public function testADifferenceCountsFromItsErrorOn(): void
    {
        foreach ([[2.3, false], [2.32, true], [-2.3, false], [-2.32, true]] as [$by, $isTold]) {
            $tried = [];
            foreach ([1.0, 2.0, 3.0, 4.0, 5.0] as $number) {
                $tried[] = [1, $number];
                $tried[] = [2, $number + $by];
            }
            $result = (new TwoWays($tried))->result();
            self::assertNotNull($result);
            self::assertEqualsWithDelta($by, $result['difference'], 1e-12);
            self::assertEqualsWithDelta(2.306, $result['error'], 1e-12);
            self::assertSame($isTold, $result['isTold']);
            self::assertEqualsWithDelta(3.0 + $by, (new TwoWays($tried))->means()[2], 1e-12);
        }
    }

    /** Of ways that do not differ at most about one in twenty is told apart: the error is an error at 95 %. */
    public function testNoiseAloneIsSeldomToldApart(): void
    {
        mt_srand(20261130);
        $told = 0;
        $normal = static fn (): float => sqrt(-2 * log(1 - mt_rand() / (mt_getrandmax() + 1)))
            * cos(2 * M_PI * mt_rand() / mt_getrandmax());
        for ($i = 0; $i < 2000; ++$i) {
            $tried = [];
            for ($n = 0; $n < 10; ++$n) {
                $tried[] = [1 + $n % 2, 10 + $normal()];
            }
            $told += (int) ((new TwoWays($tried))->result()['isTold'] ?? false);
        }
        self::assertGreaterThan(60, $told);
        self::assertLessThan(140, $told);
    }
}
