<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Progress;

use LucidAscent\Core\Progress\Forecast;
use LucidAscent\Core\Progress\Prior;
use LucidAscent\Core\Progress\Step;
use LucidAscent\Core\Progress\TimedReading;
use LucidAscent\Core\Progress\Trend;
use LucidAscent\Core\Progress\Whitened;
use LucidAscent\Core\Statistics\Mixture;
use LucidAscent\Core\Statistics\Normal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Known slopes, steps and bounds, drawn with known noise, and found again. */
final class TrendTest extends TestCase
{
    private const RUNS = 300;
    private const SD = 2.0;

    private \Random\Randomizer $random;

    protected function setUp(): void
    {
        $this->random = new \Random\Randomizer(new \Random\Engine\Mt19937(20261126));
    }

    /** False alarms at five in a hundred at most, and the true slope within its interval, whatever the noise. */
    #[DataProvider('series')]
    public function testASlopeIsCoveredAndNothingIsNotTakenForOne(
        int $many,
        int $gap,
        float $lasting,
        float $memory,
    ): void {
        $covered = $alarms = $steps = 0;
        for ($run = 0; $run < self::RUNS; ++$run) {
            $slope = 0 === $run % 2 ? 0.0 : 0.06;
            $trend = Trend::of($this->drawn($many, $gap, $slope, $lasting, $memory)) ?? self::fail('No trend.');
            [$low, $high] = [$trend->slope->quantile(0.025), $trend->slope->quantile(0.975)];
            $covered += $low <= $slope && $slope <= $high ? 1 : 0;
            $alarms += 0.0 === $slope && ($low > 0.0 || $high < 0.0) ? 1 : 0;
            $steps += null === Step::of($trend) ? 0 : 1;
        }
        self::assertGreaterThanOrEqual(0.93, $covered / self::RUNS);
        // Half of the runs have no slope; three SD of a count of five in a hundred are allowed for.
        self::assertLessThanOrEqual(0.05 + 3.0 * sqrt(0.05 * 0.95 / (self::RUNS / 2)), $alarms / (self::RUNS / 2));
        self::assertLessThanOrEqual(0.05 + 3.0 * sqrt(0.05 * 0.95 / self::RUNS), $steps / self::RUNS,
            'steps that are none');
    }

    /** @return iterable<string, array{int, int, float, float}> */
    public static function series(): iterable
    {
        yield 'six readings in three months' => [6, 14, 0.0, 1.0];
        yield 'a year of tests' => [24, 14, 0.0, 1.0];
        yield 'good days that last' => [24, 7, 1.0, 7.0];
        yield 'readings of every session' => [60, 3, 1.0, 7.0];
    }

    public function testAStrongSlopeIsFoundAndItsDirectionIsSure(): void
    {
        $found = 0;
        for ($run = 0; $run < 60; ++$run) {
            $trend = Trend::of($this->drawn(16, 14, -0.1, 0.0, 1.0)) ?? self::fail('No trend.');
            self::assertEqualsWithDelta(-0.1, $trend->slope->mean(), 0.05);
            $found += $trend->chanceReal() > 0.99 ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(57, $found);
    }

    public function testAWeakReadingPullsLessThanASureOne(): void
    {
        $line = static fn (float $sd): float => (Trend::of([new TimedReading(0, 10.0, 1.0),
            new TimedReading(10, 10.0, 1.0), new TimedReading(20, 10.0, 1.0), new TimedReading(30, 20.0, $sd)])
            ?? self::fail('No trend.'))->slope->mean();
        self::assertGreaterThan(3 * $line(10.0), $line(1.0));
        self::assertGreaterThan(0.0, $line(10.0));
    }

    /** A knee that rests on the floor from some day on: what was read is the least that it could be. */
    public function testBoundsAreBoundsAndNotValues(): void
    {
        $slopes = $naive = [];
        $covered = 0;
        for ($run = 0; $run < 200; ++$run) {
            $readings = $this->drawn(18, 14, 0.06, 0.0, 1.0);
            $cut = array_map(static fn (TimedReading $one): TimedReading => $one->value > 66.0
                ? new TimedReading($one->day, 66.0, $one->sd, true) : $one, $readings);
            $trend = Trend::of($cut);
            if (null === $trend) {
                continue;
            }
            $slopes[] = $trend->slope->mean();
            $covered += $trend->slope->quantile(0.025) <= 0.06 && 0.06 <= $trend->slope->quantile(0.975) ? 1 : 0;
            $naive[] = (Trend::of(array_map(static fn (TimedReading $one): TimedReading => new TimedReading($one->day,
                $one->value, $one->sd), $cut)) ?? self::fail('No trend.'))->slope->mean();
        }
        self::assertEqualsWithDelta(0.06, array_sum($slopes) / count($slopes), 0.008);
        self::assertLessThan(0.045, array_sum($naive) / count($naive), 'Taken as values they would have hidden it.');
        self::assertGreaterThanOrEqual(0.93, $covered / count($slopes));
    }

    /**
     * What several abilities show together is a bound of each, and often all of one: it draws a line up hardly at all,
     * and goes no further than it says.
     */
    public function testABoundThatIsOftenAllOfItHardlyDrawsTheLineUp(): void
    {
        $over = $slopes = [];
        for ($run = 0; $run < 200; ++$run) {
            $exact = $this->drawn(8, 28, 0.03, 0.0, 1.0);
            $bounds = array_map(fn (TimedReading $one): TimedReading => new TimedReading($one->day,
                60.0 + 0.03 * $one->day + self::SD * $this->gauss(), self::SD, true, isCut: false), $exact);
            $trend = Trend::of([...$exact, ...$bounds]) ?? self::fail('No trend.');
            $slopes[] = $trend->slope->mean();
            $over[] = $trend->at(98.0)->mean() - 60.0 - 0.03 * 98.0;
        }
        self::assertEqualsWithDelta(0.03, array_sum($slopes) / 200, 0.003);
        self::assertGreaterThan(0.0, array_sum($over) / 200);
        self::assertLessThan(0.35 * self::SD, array_sum($over) / 200);
        // One that lies clearly above the exact ones does.
        $high = Trend::of([...$this->drawn(8, 28, 0.0, 0.0, 1.0),
            new TimedReading(98.0, 75.0, self::SD, true, isCut: false)]) ?? self::fail('No trend.');
        self::assertGreaterThan(60.5, $high->at(98.0)->mean());
    }

    public function testABoundFarBelowTellsNothing(): void
    {
        $readings = $this->drawn(12, 14, 0.0, 0.0, 1.0);
        $with = Trend::of([...$readings, new TimedReading(300.0, 20.0, 2.0, true)]) ?? self::fail('No trend.');
        $without = Trend::of($readings) ?? self::fail('No trend.');
        self::assertEqualsWithDelta($without->slope->mean(), $with->slope->mean(), 1e-6);
    }

    public function testAStepIsFoundAndDated(): void
    {
        $found = 0;
        for ($run = 0; $run < 100; ++$run) {
            $readings = array_map(static fn (TimedReading $one): TimedReading => new TimedReading($one->day,
                $one->value + ($one->day >= 98 ? -12.0 : 0.0), $one->sd), $this->drawn(26, 7, 0.0, 0.0, 1.0));
            $step = Step::of(Trend::of($readings) ?? self::fail('No trend.'));
            if (null !== $step && abs($step->after - 98.0) <= 7.0) {
                ++$found;
                self::assertEqualsWithDelta(-12.0, $step->size, 5.0);
            }
        }
        self::assertGreaterThanOrEqual(75, $found);
    }

    /** One or two readings at either end are no level of their own: three are. */
    public function testAStepHasThreeReadingsOnBothSides(): void
    {
        $of = static fn (callable $isUp): ?Step => Step::of(
            Trend::of(
                array_map(
                    static fn (int $i): TimedReading => new TimedReading(
                        14.0 * $i,
                        60.0 + ($isUp($i) ? 20.0 : 0.0) + 0.3 * ($i % 3),
                        1.0,
                    ),
                    range(0, 13),
                ),
            ) ?? self::fail('No trend.'),
        );
        self::assertSame(14.0 * 11, $of(static fn (int $i): bool => $i >= 11)?->after);
        self::assertNotSame(14.0 * 12, $of(static fn (int $i): bool => $i >= 12)?->after);
        self::assertSame(14.0 * 3, $of(static fn (int $i): bool => $i < 3)?->after);
        self::assertNotSame(14.0 * 2, $of(static fn (int $i): bool => $i < 2)?->after);
    }

    public function testOfManyReadingsTheLongestBreaksAreAsked(): void
    {
        // Eighty days in a row, and a fortnight before the twentieth.
        $day = static fn (int $i): float => $i + ($i >= 19 ? 14.0 : 0.0);
        $readings = array_map(static fn (int $i): TimedReading => new TimedReading($day($i),
            60.0 + ($i >= 19 ? 9.0 : 0.0) + 0.4 * ($i % 5), 1.0), range(0, 79));
        self::assertSame($day(19), Step::of(Trend::of($readings) ?? self::fail('No trend.'))?->after);
    }

    public function testEachSetUpReadsSoMuchMoreThanTheCommonestOne(): void
    {
        $more = ['usual' => 0.0, 'low' => -4.0, 'high' => 5.0];
        $names = ['usual', 'low', 'usual', 'high', 'usual'];
        $trend = Trend::of(array_map(static fn (int $i): TimedReading => new TimedReading(7.0 * $i,
            60.0 + 0.1 * $i + $more[$names[$i % 5]] + 0.2 * sin(3.0 * $i), 0.5, false, $names[$i % 5]),
            range(0, 39))) ?? self::fail('No trend.');
        self::assertSame(['low', 'high'], array_keys($trend->apart));
        self::assertEqualsWithDelta(-4.0, $trend->apart['low']['mean'], 0.6);
        self::assertEqualsWithDelta(5.0, $trend->apart['high']['mean'], 0.6);
        self::assertLessThan(1.0, $trend->apart['high']['sd']);
        self::assertEqualsWithDelta(0.1 / 7.0, $trend->slope->mean(), 0.01);
    }

    public function testTooFewReadingsOrOneDayAreNoTrend(): void
    {
        self::assertNull(Trend::of([]));
        self::assertNull(Trend::of([new TimedReading(0, 1.0, 1.0), new TimedReading(9, 2.0, 1.0)]));
        self::assertNull(Trend::of([new TimedReading(5, 1.0, 1.0), new TimedReading(5, 2.0, 1.0),
            new TimedReading(5, 3.0, 1.0)]));
        self::assertNull(Trend::of([new TimedReading(0, 1.0, 1.0), new TimedReading(5, 2.0, 1.0),
            new TimedReading(9, 3.0, 1.0, true)]), 'A bound is no reading of where it is.');
        self::assertNotNull(Trend::of([new TimedReading(9, 1.0, 1.0), new TimedReading(0, 2.0, 1.0),
            new TimedReading(0, 3.0, 1.0)]), 'in any order, and two of one day');
    }

    /** Whitened columns have the covariance that was supposed: their inner products are those of its inverse. */
    public function testWhiteningIsThatOfTheCovariance(): void
    {
        [$days, $variances] = [[0.0, 3.0, 3.0, 11.0], [1.0, 2.0, 0.5, 1.0]];
        $covariance = [];
        foreach ($days as $i => $a) {
            foreach ($days as $j => $b) {
                $covariance[$i][$j] = 2.0 * exp(-abs($a - $b) / 7.0) + ($i === $j ? $variances[$i] : 0.0);
            }
        }
        // Of C times a unit vector, whitened, the product with the whitened unit vectors is the unit matrix's row.
        /** @var \Closure(int): list<float> $unit */
        $unit = static fn (int $i): array => array_map(static fn (int $k): float => $k === $i ? 1.0 : 0.0, range(0, 3));
        $white = Whitened::of($days, $variances, 2.0, 7.0, [...array_map($unit, range(0, 3)),
            ...array_map(array_values(...), $covariance)])->columns;
        for ($i = 0; $i < 4; ++$i) {
            for ($j = 0; $j < 4; ++$j) {
                $product = array_sum(array_map(static fn (float $x, float $y): float => $x * $y, $white[$i],
                    $white[4 + $j]));
                self::assertEqualsWithDelta($i === $j ? 1.0 : 0.0, $product, 1e-10);
            }
        }
    }

    public function testAMixtureIsReadBothWays(): void
    {
        $mixture = new Mixture([['weight' => 0.25, 'mean' => -1.0, 'sd' => 0.5],
            ['weight' => 0.75, 'mean' => 2.0, 'sd' => 1.0]]);
        self::assertEqualsWithDelta(1.25, $mixture->mean(), 1e-12);
        foreach ([0.025, 0.5, 0.9] as $chance) {
            self::assertEqualsWithDelta($chance, $mixture->below($mixture->quantile($chance)), 1e-9);
        }
        self::assertSame([0.0, 1.0], [(new Mixture([['weight' => 1.0, 'mean' => 3.0, 'sd' => 0.0]]))->below(2.9),
            (new Mixture([['weight' => 1.0, 'mean' => 3.0, 'sd' => 0.0]]))->below(3.0)]);
        self::assertEqualsWithDelta(40.0, Normal::hazard(40.0), 0.05);
        self::assertSame([0.0, 1.0], [Normal::below(-50.0), Normal::below(50.0)]);
    }

    /** Of many with the same rate the day lies in the stated range about as often as stated. */
    public function testAForecastHoldsWhatItSays(): void
    {
        $inside = $given = 0;
        for ($run = 0; $run < 300; ++$run) {
            // People's rates are as the prior has them.
            $rate = (Prior::USUAL + Prior::USUAL_SD * $this->gauss()) / Trend::MONTH;
            $trend = Trend::of($this->drawn(10, 14, $rate, 0.0, 1.0)) ?? self::fail('No trend.');
            $now = 9.0 * 14.0;
            $forecast = Forecast::of($trend, $now, 60.0 + $rate * $now + 4.0);
            $day = $rate > 0.0 ? 4.0 / $rate : \INF;
            if (null !== $forecast && null !== $forecast->to) {
                ++$given;
                $inside += $forecast->from <= $day && $day <= $forecast->to ? 1 : 0;
            }
        }
        self::assertGreaterThan(50, $given);
        self::assertEqualsWithDelta(Forecast::CHANCE / 100, $inside / $given, 0.1);
    }

    public function testThereIsNoDayForWhatIsMetOrDoesNotMove(): void
    {
        $flat = Trend::of(array_map(static fn (int $i): TimedReading => new TimedReading(7.0 * $i,
            60.0 + 0.001 * ($i % 2), 0.5), range(0, 40))) ?? self::fail('No trend.');
        self::assertNull(Forecast::of($flat, 280.0, 59.0), 'It is met.');
        self::assertNull(Forecast::of($flat, 280.0, 95.0), 'Not by this work.');
        $up = Trend::of(array_map(static fn (int $i): TimedReading => new TimedReading(7.0 * $i, 60.0 + 0.1 * $i, 0.5),
            range(0, 40))) ?? self::fail('No trend.');
        $forecast = Forecast::of($up, 280.0, 68.0) ?? self::fail('No forecast.');
        self::assertLessThan($forecast->to, $forecast->from);
        self::assertSame(Forecast::CHANCE, $forecast->chance);
    }

    /** @return list<TimedReading> */
    private function drawn(int $many, int $gap, float $slope, float $lasting, float $memory): array
    {
        $good = $lasting * self::SD * $this->gauss();
        $kept = exp(-$gap / $memory);
        $readings = [];
        for ($i = 0; $i < $many; ++$i) {
            $readings[] = new TimedReading($gap * $i, 60.0 + $slope * $gap * $i + $good + self::SD * $this->gauss(),
                self::SD);
            $good = $kept * $good + sqrt(1.0 - $kept ** 2) * $lasting * self::SD * $this->gauss();
        }

        return $readings;
    }

    private function gauss(): float
    {
        $share = fn (): float => $this->random->getInt(1, 1_000_000_000) / 1_000_000_001;

        return sqrt(-2.0 * log($share())) * cos(2.0 * M_PI * $share());
    }
}
