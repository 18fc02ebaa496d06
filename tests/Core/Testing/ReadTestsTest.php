<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Testing;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Capacities;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\MeasuredCapacity;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\ReadTests;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Core\Testing\UnreadableTest;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Years of tests, read without working out what says nothing any more. */
final class ReadTestsTest extends TestCase
{
    public function testWhatIsLeftOutChangesNoAnswer(): void
    {
        $definitions = self::definitions();
        $leftOut = 0;
        for ($seed = 1; $seed <= 60; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $taken = self::history($random, $random->getInt(1, 60));
            $read = ReadTests::evidence($definitions, $taken, SampleBody::proportions(), ToolErrors::usual());
            $all = ['left' => [], 'right' => []];
            foreach ($taken as $test) {
                try {
                    array_push($all[$test->side->value], ...ReadTest::evidence($definitions[$test->test], $test,
                        SampleBody::proportions()->body($test->side), ToolErrors::usual()));
                } catch (UnreadableTest) {
                }
            }
            $leftOut += count($all['left']) - count($read['left']);
            $wanted = new LegAngles(95.0, 40.0, 90.0, 95.0);
            foreach (Side::cases() as $side) {
                $now = (new \DateTimeImmutable('2026-03-02'))->modify("+{$random->getInt(0, 120)} days");
                $is = Capacities::of($read[$side->value], BodyError::measured(), $now);
                $was = Capacities::of($all[$side->value], BodyError::measured(), $now);
                foreach (Ability::cases() as $ability) {
                    self::assertEquals(self::said($was->get($ability)), self::said($is->get($ability)),
                        "Seed $seed, $ability->value.");
                    self::assertEquals(self::said($was->near($ability, $wanted)),
                        self::said($is->near($ability, $wanted)), "Seed $seed, $ability->value, near.");
                }
            }
        }
        self::assertGreaterThan(100, $leftOut, 'Something is left out.');
    }

    public function testHowATestBounds(): void
    {
        $of = static fn (TestDefinition $definition, array $trial,
            ?bool $resting = null): ?Bound => ReadTest::bound($definition,
                Definition::taken($definition, [$trial], resting: $resting));
        self::assertSame(Bound::AtLeast, $of(Definition::solesTogether(),
            ['kneeHeight' => 14.0, 'heelDistance' => 20.0]));
        self::assertSame(Bound::Exact, $of(Definition::shinsStacked(), ['kneeHeight' => 24.0, 'ankleHeight' => 10.0],
            false));
        self::assertSame(Bound::AtLeast, $of(Definition::shinsStacked(), ['kneeHeight' => 24.0, 'ankleHeight' => 10.0],
            true));
        self::assertNull($of(Definition::wideLegs(), ['span' => 90.0]), 'One part is exact, the other is not.');
    }

    public function testABoundGivesWayOnlyToANewerOneThatGoesAsFarInAll(): void
    {
        $knee = static fn (string $on, float $knee, float $heels = 20.0,
            string $test = 'soles-together'): TakenTest => new TakenTest($test, Side::Left, Tool::Tape,
                [['kneeHeight' => $knee, 'heelDistance' => $heels]], on: new \DateTimeImmutable($on));
        self::assertCount(4, self::read($knee('2026-03-01', 14.0), $knee('2026-01-02', 14.0)), 'As far.');
        self::assertCount(8, self::read($knee('2026-03-01', 14.0), $knee('2026-01-02', 9.0)),
            'The older went further.');
        self::assertCount(8, self::read($knee('2026-03-01', 14.0), $knee('2026-01-02', 14.0, 30.0)),
            'Further in one, less far in another.');
        $wide = static fn (string $on): TakenTest => new TakenTest('wide-legs', Side::Left, Tool::Tape,
            [['span' => 150.0]], on: new \DateTimeImmutable($on));
        self::assertCount(4, self::read($wide('2026-03-01'), $wide('2026-01-02')),
            'What is exact in part is read with its time.');
    }

    public function testAnUnreadableOneHidesNoOlderOne(): void
    {
        $of = static fn (string $on, float $span, string ...$compensations): TakenTest => new TakenTest('frog',
            Side::Left, Tool::Tape, [['span' => $span]], array_values($compensations), on: new \DateTimeImmutable($on));
        self::assertCount(1, self::read($of('2026-03-01', 240.0), $of('2026-01-02', 90.0)), 'No legs go so far.');
        self::assertCount(1, self::read($of('2026-03-01', 90.0, 'back-arches'), $of('2026-01-02', 90.0)),
            'Compensated: it proves nothing.');
        self::assertCount(1, self::read($of('2026-03-01', 80.0), $of('2026-01-02', 90.0)), 'The newer counts.');
        self::assertCount(2, self::read($of('2026-03-01', 80.0), $of('2026-02-15', 90.0)),
            'Fourteen days are one time.');
    }

    /** @return list<Evidence> */
    private static function read(TakenTest ...$taken): array
    {
        return ReadTests::evidence(self::definitions(), array_values($taken), SampleBody::proportions(),
            ToolErrors::usual())['left'];
    }

    /** @return array<string, TestDefinition> */
    private static function definitions(): array
    {
        return array_column([Definition::solesTogether(), Definition::shinsStacked(), Definition::frog(),
            Definition::wideLegs()], null, 'id');
    }

    /** @return list<TakenTest> the newest first */
    private static function history(Randomizer $random, int $many): array
    {
        $taken = [];
        for ($i = 0; $i < $many; ++$i) {
            $cm = static fn (float $least, float $most): float => round($least + ($most - $least) * $random->getInt(0,
                1000) / 1000, 1);
            [$test, $trial] = match ($random->getInt(0, 3)) {
                0 => ['soles-together', ['kneeHeight' => $cm(2, 40), 'heelDistance' => $cm(8, 45)]],
                1 => ['shins-stacked', ['kneeHeight' => $cm(6, 35), 'ankleHeight' => $cm(5, 20)]],
                2 => ['wide-legs', ['span' => $cm(90, 170)]],
                default => ['frog', ['span' => $cm(50, 110)]],
            };
            $day = (new \DateTimeImmutable('2026-03-02'))->modify("-{$random->getInt(0, 200)} days");
            $taken[] = new TakenTest($test, $random->getInt(0, 1) > 0 ? Side::Left : Side::Right, Tool::Tape, [$trial],
                $random->getInt(0, 4) > 3 ? [['soles-together' => 'leans-back', 'shins-stacked' => 'ankle-slid',
                    'frog' => 'back-arches', 'wide-legs' => 'x'][$test]] : [], on: $day);
        }
        usort($taken, static fn (TakenTest $a, TakenTest $b): int => $b->on <=> $a->on);

        return $taken;
    }

    /** @return array<mixed>|null */
    private static function said(?MeasuredCapacity $known): ?array
    {
        $which = static fn (Evidence $e): array => [$e->test, $e->value, $e->on?->format('Y-m-d')];

        return null === $known ? null : [$known->value, $known->bound, $known->error, array_map($which, $known->from),
            array_map($which, $known->against)];
    }
}
