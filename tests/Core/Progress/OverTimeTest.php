<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Progress;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Progress\SidesApart;
use LucidAscent\Core\Progress\WeeklyLoad;
use LucidAscent\Core\Progress\WhatWorked;
use LucidAscent\Core\Progress\WithinSession;
use LucidAscent\Core\Statistics\Normal;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\Tool;
use PHPUnit\Framework\TestCase;

/** Sides against each other, one session against months, minutes against change. */
final class OverTimeTest extends TestCase
{
    public function testSidesAreComparedOnDaysOnWhichBothWereReadAlike(): void
    {
        $of = static fn (array $left, array $right): ?SidesApart => SidesApart::of(Ability::ExternalRotation,
            self::read($left), self::read($right));
        self::assertNull($of(['2026-01-01' => 70.0], ['2026-01-02' => 60.0]));
        self::assertNull($of([], []));
        self::assertSame('apart.once', $of(['2026-01-01' => 70.0], ['2026-01-01' => 60.0])?->because->code);
        self::assertSame('left', $of(['2026-01-01' => 70.0], ['2026-01-01' => 60.0])->because->numbers['ahead']);
        self::assertSame('apart.alike', $of(['2026-01-01' => 61.0], ['2026-01-01' => 60.0])?->because->code,
            'Within the noise of two readings: 3.9°.');
        self::assertSame('apart.closer', $of(['2026-01-01' => 75.0, '2026-03-01' => 76.0],
            ['2026-01-01' => 60.0, '2026-03-01' => 70.0])?->because->code);
        self::assertSame('apart.wider', $of(['2026-01-01' => 60.0, '2026-03-01' => 60.0],
            ['2026-01-01' => 65.0, '2026-03-01' => 76.0])?->because->code);
        self::assertSame('apart.still', $of(['2026-01-01' => 70.0, '2026-03-01' => 70.0],
            ['2026-01-01' => 60.0, '2026-03-01' => 62.0])?->because->code);
        $other = self::read(['2026-01-01' => 60.0], Tool::Inclinometer);
        self::assertNull(SidesApart::of(Ability::ExternalRotation, self::read(['2026-01-01' => 70.0]), $other),
            'Two tools are no comparison.');
    }

    public function testManyPairsTellByTheirTrend(): void
    {
        $left = $right = [];
        foreach (range(0, 9) as $i) {
            $day = (new \DateTimeImmutable('2026-01-01'))->modify(sprintf('+%d days', 14 * $i))->format('Y-m-d');
            $left[$day] = 80.0 + (0 === $i % 2 ? 1.0 : -1.0);
            $right[$day] = 64.0 + 1.2 * $i;
        }
        $apart = SidesApart::of(Ability::ExternalRotation, self::read($left), self::read($right));
        self::assertSame('apart.closer', $apart?->because->code);
        self::assertCount(10, $apart->pairs);
        self::assertEqualsWithDelta(17.0, $apart->pairs[0]['apart'], 1e-9);
        self::assertEqualsWithDelta(2.0, $apart->pairs[0]['error'], 1e-9, 'Of a difference of two readings.');
    }

    public function testOneSessionIsWarmTissue(): void
    {
        self::assertNull(WithinSession::of([], 0.7));
        self::assertSame('within.few', WithinSession::of([[20.0, 17.0], [20.0, 16.5]], 0.7)?->because->code);
        $warm = WithinSession::of([[20.0, 17.0], [19.5, 17.0], [19.0, 15.8], [19.2, 16.6]], 0.7);
        self::assertSame('within.warm', $warm?->because->code);
        self::assertEqualsWithDelta(-2.825, $warm->mean, 1e-9);
        self::assertEqualsWithDelta(0.7 * M_SQRT2 / 2, $warm->error, 1e-9, 'Never surer than the tape.');
        self::assertSame('within.nothing', WithinSession::of([[20.0, 19.5], [19.5, 19.7], [19.0, 18.8]],
            0.7)?->because->code);
    }

    public function testAWeekThatIsMoreThanAFifthMoreIsAJump(): void
    {
        self::assertSame([], WeeklyLoad::of([])->weeks);
        $on = static fn (string $day, float $minutes): array => [new \DateTimeImmutable($day), $minutes];
        // Mondays: 5, 12, 19, 26 January and 2 February 2026.
        $weeks = WeeklyLoad::of([$on('2026-01-18', 20.0), $on('2026-01-05', 20.0), $on('2026-01-07', 20.0),
            $on('2026-01-14', 28.0), $on('2026-02-02', 58.0), $on('2026-02-08', 0.5)])->weeks;
        self::assertSame(['2026-01-05', '2026-01-12', '2026-01-19', '2026-01-26', '2026-02-02'],
            array_map(static fn (array $week): string => $week['monday']->format('Y-m-d'), $weeks));
        self::assertSame([40.0, 48.0, 0.0, 0.0, 58.5], array_column($weeks, 'minutes'));
        self::assertNull($weeks[1]['jump'], 'A fifth is no jump.');
        self::assertEqualsWithDelta(58.5 / 48.0, $weeks[4]['jump'], 1e-9, 'Against the last week with any.');
    }

    /**
     * What an hour of each kind has brought is found where they were practised apart, and nobody pretends where they
     * were not.
     */
    public function testWhatWorkedIsToldWhereItCanBe(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(40));
        $covered = $told = $alarms = 0;
        for ($run = 0; $run < 100; ++$run) {
            $series = [];
            for ($person = 0; $person < 6; ++$person) {
                $hours = ['circle' => 0.0, 'yield' => 0.0];
                $readings = [];
                $level = 50.0 + 20.0 * Normal::share($random);
                for ($i = 0; $i < 8; ++$i) {
                    $readings[] = ['day' => 28.0 * $i,
                        'value' => $level + 0.02 * 28 * $i + 1.5 * $hours['circle'] + 2.0 * Normal::draw($random),
                        'sd' => 2.0, 'hours' => $hours];
                    $hours['circle'] += 4.0 * Normal::share($random);
                    $hours['yield'] += 4.0 * Normal::share($random);
                }
                $series[] = $readings;
            }
            $found = WhatWorked::of($series) ?? self::fail('Nothing was found.');
            self::assertSame(48, $found->readings);
            $covered += $found->kinds['circle']['low'] <= 1.5 && 1.5 <= $found->kinds['circle']['high'] ? 1 : 0;
            $told += isset($found->told()['circle']) ? 1 : 0;
            $alarms += isset($found->told()['yield']) ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(90, $covered);
        self::assertGreaterThan(90, $told);
        self::assertLessThanOrEqual(10, $alarms);
    }

    /**
     * By hand (an independent program): readings whose errors differ, on a line, and apart from it by more than their
     * errors.
     */
    public function testWhatAnHourBroughtCountsReadingsByTheirErrors(): void
    {
        $of = static fn (float $apart): ?WhatWorked => WhatWorked::of([array_map(
            static fn (int $i, float $hours): array => ['day' => 14.0 * $i,
                'value' => 50.0 + 0.01 * 14 * $i + 2.0 * $hours + (0 === $i % 2 ? $apart : -$apart), 'sd' => 0
                === $i % 2 ? 1.0 : 2.0, 'hours' => ['circle' => $hours]],
            range(0, 6),
            [0.0, 1.0, 1.5, 4.0, 4.5, 7.0, 7.5],
        )]);
        foreach ([[0.0, 2.0, 1.946656645224137], [3.0, -0.33628318584055704, 4.037088495565528]] as [$apart, $perHour,
            $half]) {
            $kind = $of($apart)?->kinds['circle'] ?? self::fail('Nothing was found.');
            self::assertEqualsWithDelta($perHour, $kind['perHour'], 1e-9);
            self::assertEqualsWithDelta($perHour - $half, $kind['low'], 1e-9);
            self::assertEqualsWithDelta($perHour + $half, $kind['high'], 1e-9);
        }
        self::assertSame(['circle'], array_keys($of(0.0)?->told() ?? []));
        self::assertSame([], $of(3.0)?->told());
    }

    public function testWhatWasAlwaysPractisedTogetherCannotBeToldApart(): void
    {
        $with = static fn (callable $hours,
            int $many = 10): array => [array_map(static fn (int $i): array => ['day' => 14.0 * $i,
                'value' => 60.0 + 0.7 * $i + ($i % 3), 'sd' => 1.5, 'hours' => $hours($i)], range(0, $many - 1))];
        self::assertNull(WhatWorked::of($with(static fn (int $i): array => ['circle' => 1.0 * $i * $i,
            'yield' => 2.0 * $i * $i])), 'Always both.');
        self::assertNull(WhatWorked::of($with(static fn (int $i): array => ['circle' => 1.5 * $i])),
            'Always as much: it cannot be told from time.');
        self::assertNull(WhatWorked::of($with(static fn (int $i): array => ['circle' => 1.0 * $i * $i], 5)),
            'Too few readings.');
        self::assertNull(WhatWorked::of($with(static fn (int $i): array => [])), 'Nothing was practised.');
        self::assertNull(WhatWorked::of([]));
        self::assertNotNull(WhatWorked::of($with(static fn (int $i): array => ['circle' => 1.0 * $i * $i])));
    }

    /**
     * @param array<string, float> $values by day
     *
     * @return list<Evidence>
     */
    private static function read(array $values, Tool $tool = Tool::Tape): array
    {
        return array_map(static fn (string $on, float $value): Evidence => new Evidence(Ability::ExternalRotation,
            $value, Bound::Exact, Uncertainty::ofReading(M_SQRT2, $on.$value), 'shins-stacked', $tool,
            new \DateTimeImmutable($on)), array_keys($values), $values);
    }
}
