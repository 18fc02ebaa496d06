<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Progress;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Progress\AbilityProgress;
use LucidAscent\Core\Progress\TimedReading;
use LucidAscent\Core\Progress\Trend;
use LucidAscent\Core\Statistics\Normal;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\Tool;
use PHPUnit\Framework\TestCase;

/** Readings of two set-ups are two series, joined by what they are measured apart. */
final class SetUpTest extends TestCase
{
    private const RUNS = 200;

    /** Warm readings among cold ones: the slope is that of the body, and how far they read apart is found. */
    public function testWarmAndColdAreJoinedByWhatTheyAreMeasuredApart(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(31));
        $slopes = $apart = [];
        $covered = 0;
        for ($run = 0; $run < self::RUNS; ++$run) {
            $readings = [];
            for ($i = 0; $i < 20; ++$i) {
                $isWarm = 2 === $i % 3;
                $readings[] = new TimedReading(10.0 * $i, 60.0 + 0.03 * 10 * $i + ($isWarm ? 5.0
                    : 0.0) + 2.0 * Normal::draw($random), 2.0, false, $isWarm ? 'warm' : 'cold');
            }
            $trend = Trend::of($readings) ?? self::fail('No trend.');
            self::assertSame('cold', $trend->setUp, 'The line is that of the set-up with most readings.');
            self::assertSame(['warm'], array_keys($trend->apart));
            $slopes[] = $trend->slope->mean();
            $apart[] = $trend->apart['warm']['mean'];
            $covered += $trend->slope->quantile(0.025) <= 0.03 && 0.03 <= $trend->slope->quantile(0.975) ? 1 : 0;
        }
        self::assertEqualsWithDelta(0.03, array_sum($slopes) / self::RUNS, 0.002);
        // A little less than five: what is known beforehand is that set-ups are not far apart.
        self::assertEqualsWithDelta(4.8, array_sum($apart) / self::RUNS, 0.25);
        self::assertGreaterThanOrEqual(0.93, $covered / self::RUNS);
    }

    /** Cold until spring and warm from then on is no progress: before, it was taken for some nearly every time. */
    public function testAChangeOfSetUpIsNoProgress(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(32));
        $alarms = $without = 0;
        for ($run = 0; $run < self::RUNS; ++$run) {
            $readings = $plain = [];
            for ($i = 0; $i < 16; ++$i) {
                // People’s set-ups are as far apart as they are said to be.
                $offset[$i < 8 ? 0 : 1] ??= $i < 8 ? 0.0 : Trend::SET_UPS_APART * Normal::draw($random);
                $value = 60.0 + $offset[$i < 8 ? 0 : 1] + 1.5 * Normal::draw($random);
                $readings[] = new TimedReading(10.0 * $i, $value, 1.5, false, $i < 8 ? 'cold' : 'warm');
                $plain[] = new TimedReading(10.0 * $i, $value, 1.5);
            }
            $offset = [];
            $alarms += self::isAlarm($readings);
            $without += self::isAlarm($plain);
        }
        self::assertLessThanOrEqual(0.05 + 3 * sqrt(0.05 * 0.95 / self::RUNS), $alarms / self::RUNS);
        self::assertGreaterThan(0.4, $without / self::RUNS, 'Taken for one series they change.');
    }

    /**
     * First and last are of the set-up that was read most; only where there are no two of one are all taken, and then
     * more is asked of a change.
     */
    public function testAChangeIsThatOfOneSetUp(): void
    {
        $read = static fn (string $on, float $value, bool $isWarm): Evidence => new Evidence(Ability::ExternalRotation,
            $value, Bound::Exact, Uncertainty::ofReading(1.4, $on), 'shins-stacked', Tool::Tape,
            new \DateTimeImmutable($on), isWarm: $isWarm);
        $now = new \DateTimeImmutable('2026-06-01');
        $of = AbilityProgress::of(Ability::ExternalRotation,
            [$read('2026-01-01', 70.0, false), $read('2026-03-01', 71.0, false), $read('2026-04-01', 72.0, false),
                $read('2026-05-01', 80.0, true)], $now);
        self::assertEqualsWithDelta(2.0, $of->change, 1e-9);
        self::assertEqualsWithDelta(1.96 * M_SQRT2 * 1.4, $of->smallestReal, 1e-9);
        $two = AbilityProgress::of(Ability::ExternalRotation,
            [$read('2026-01-01', 70.0, false), $read('2026-05-01', 80.0, true)], $now);
        self::assertEqualsWithDelta(10.0, $two->change, 1e-9);
        self::assertEqualsWithDelta(1.96 * sqrt(2 * 1.4 ** 2 + 4.0 ** 2), $two->smallestReal, 1e-9);
        self::assertSame('progress.changed', $two->because->code);
        self::assertSame('shins-stacked tape warm', $read('2026-01-01', 70.0, true)->setUp());
    }

    /** @param list<TimedReading> $readings */
    private static function isAlarm(array $readings): int
    {
        $slope = (Trend::of($readings) ?? self::fail('No trend.'))->slope;

        return $slope->quantile(0.025) > 0.0 || $slope->quantile(0.975) < 0.0 ? 1 : 0;
    }
}
