<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Progress;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Progress\AbilityProgress;
use LucidAscent\Core\Progress\Forecast;
use LucidAscent\Core\Progress\Outcome;
use LucidAscent\Core\Progress\Prior;
use LucidAscent\Core\Progress\RecordedForecast;
use LucidAscent\Core\Progress\TimedReading;
use LucidAscent\Core\Progress\Trend;
use LucidAscent\Core\Statistics\Normal;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\Tool;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PriorTest extends TestCase
{
    /** The rates of people and how far they are from each other are found, errors of the rates taken out. */
    public function testPeopleSayWhatIsUsual(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(50));
        $months = $sds = [];
        for ($run = 0; $run < 200; ++$run) {
            $rates = [];
            for ($i = 0; $i < 30; ++$i) {
                $sd = 0.3 + 0.7 * Normal::share($random);
                $rates[] = ['month' => 1.5 + 0.8 * Normal::draw($random) + $sd * Normal::draw($random), 'sd' => $sd];
            }
            $prior = Prior::among($rates, 15);
            $months[] = $prior->month;
            $sds[] = $prior->sd;
        }
        self::assertEqualsWithDelta(1.5, array_sum($months) / 200, 0.05);
        self::assertEqualsWithDelta(0.82, array_sum($sds) / 200, 0.08);
    }

    /** By hand (an independent program): rates whose errors differ. */
    public function testRatesCountByTheirErrors(): void
    {
        $rates = array_map(static fn (float $month, float $sd): array => ['month' => $month, 'sd' => $sd],
            [1.0, 2.0, 3.0, 4.0, 1.5, 2.5, 3.5, 4.5], [0.5, 0.5, 0.5, 0.5, 1.0, 1.0, 1.0, 1.0]);
        $prior = Prior::among($rates, 8);
        self::assertEqualsWithDelta(2.6966580976863748, $prior->month, 1e-12);
        self::assertEqualsWithDelta(1.1585420919666078, $prior->sd, 1e-12);
        self::assertSame([0.7, 1.0, 0], [Prior::usual()->month, Prior::usual()->sd, Prior::usual()->people]);
    }

    public function testAFewPeopleSayNothingOfPeople(): void
    {
        $rates = array_fill(0, 20, ['month' => 3.0, 'sd' => 0.5]);
        self::assertEquals(Prior::usual(), Prior::among($rates, 7));
        self::assertEquals(Prior::usual(), Prior::among(array_slice($rates, 0, 7), 8));
        $sure = array_fill(0, 20, ['month' => 3.0, 'sd' => 0.05]);
        self::assertEqualsWithDelta(3.0, Prior::among($sure, 20)->month, 1e-9, 'Sure ones count most of all.');
        self::assertEquals(Prior::usual(), Prior::among(array_fill(0, 20, ['month' => 3.0, 'sd' => 0.0]), 20),
            'A rate without error is none.');
        $alike = Prior::among($rates, 20);
        self::assertSame([3.0, 20], [$alike->month, $alike->people]);
        self::assertSame(0.2, $alike->sd, 'Nobody is as alike as all that.');
    }

    /** A person's own rate is drawn towards what is usual, the more the less is known of it. */
    public function testAForecastIsDrawnTowardsWhatIsUsual(): void
    {
        $trend = Trend::of(array_map(static fn (int $i): TimedReading => new TimedReading(-30.0 * (5 - $i),
            60.0 + 0.5 * $i, 2.0), range(0, 5))) ?? self::fail('No trend.');
        $own = $trend->slope->mean() * Trend::MONTH;
        $fast = Prior::among(array_fill(0, 10, ['month' => 4.0, 'sd' => 0.4]), 10);
        $rate = Forecast::rate($trend, $fast)['mean'] * Trend::MONTH;
        self::assertGreaterThan($own, $rate);
        self::assertLessThan(4.0, $rate);
        self::assertLessThan(Forecast::of($trend, 0.0, 75.0)->from ?? INF,
            Forecast::of($trend, 0.0, 75.0, $fast)?->from);
    }

    /** @param array<string, float> $read */
    #[DataProvider('outcomes')]
    public function testAForecastIsScoredWhenItsDayHasCome(
        ?Outcome $expected,
        array $read,
        string $now,
        ?string $to = '2026-06-01',
    ): void {
        $day = static fn (string $on): \DateTimeImmutable => new \DateTimeImmutable($on);
        $forecast = new RecordedForecast(90.0, $day('2026-01-01'), $day('2026-03-01'), null === $to ? null : $day($to),
            80);
        $exact = array_map(static fn (string $on, float $value): Evidence => self::evidence($on, $value),
            array_keys($read), $read);
        self::assertSame($expected, $forecast->outcome($exact, $day($now)));
    }

    public static function outcomes(): iterable
    {
        yield 'nobody read it' => [null, [], '2026-09-01'];
        yield 'its day has not come' => [null, ['2026-02-01' => 80.0], '2026-05-01'];
        yield 'met within' => [Outcome::Within, ['2026-02-01' => 80.0, '2026-04-01' => 91.0], '2026-05-01'];
        yield 'on the last day' => [Outcome::Within, ['2026-06-01' => 90.0], '2026-06-01'];
        yield 'met before' => [Outcome::Early, ['2026-02-20' => 90.0, '2026-04-01' => 95.0], '2026-05-01'];
        yield 'what was met before it was foretold is none' => [null, ['2026-01-01' => 95.0], '2026-05-01'];
        yield 'met too late' => [Outcome::Late, ['2026-07-01' => 95.0], '2026-08-01'];
        yield 'not met by then' => [Outcome::Late, ['2026-06-15' => 85.0], '2026-07-01'];
        yield 'over, and read only before' => [null, ['2026-05-01' => 85.0], '2026-07-01'];
        yield 'no end in sight' => [null, ['2027-06-15' => 85.0], '2027-07-01', null];
        yield 'no end in sight, and met' => [Outcome::Within, ['2027-06-15' => 92.0], '2027-07-01', null];
    }

    /** Of a gap less is more: what closes moves on, and has its day. */
    public function testAGapThatClosesIsProgress(): void
    {
        $readings = array_map(static fn (int $i): Evidence => new Evidence(Ability::ShoulderReach, 16.0 - 1.5 * $i,
            Bound::Exact, Uncertainty::ofReading(0.7, "gap $i"), 'behind-back-reach', Tool::Tape,
            (new \DateTimeImmutable('2026-01-01'))->modify(sprintf('+%d days', 28 * $i))), range(0, 5));
        $now = new \DateTimeImmutable('2026-06-01');
        $of = AbilityProgress::of(Ability::ShoulderReach, $readings, $now, 0.0);
        self::assertEqualsWithDelta(-7.5, $of->change, 1e-9);
        $month = $of->perMonth();
        self::assertNotNull($month);
        self::assertEqualsWithDelta(-1.63, $month['value'], 0.02);
        self::assertLessThan($month['high'], $month['value']);
        self::assertGreaterThan($month['low'], $month['value']);
        self::assertSame('progress.forecast', $of->because->code);
        self::assertLessThan(0.0, $of->because->numbers['month']);
        self::assertNotNull($of->from);
        self::assertSame('progress.met', AbilityProgress::of(Ability::ShoulderReach, $readings, $now, -12.0)
            ->because->code, 'A gap of twelve is allowed.');
        self::assertSame(['progress.grows', 'yes'], [AbilityProgress::of(Ability::ShoulderReach, $readings, $now)
            ->because->code, AbilityProgress::of(Ability::ShoulderReach, $readings, $now)->because->numbers['less']]);
    }

    private static function evidence(string $on, float $value): Evidence
    {
        return new Evidence(Ability::ExternalRotation, $value, Bound::Exact, Uncertainty::ofReading(1.4, $on),
            'shins-stacked', Tool::Tape, new \DateTimeImmutable($on));
    }
}
