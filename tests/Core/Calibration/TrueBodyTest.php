<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Calibration;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calibration\People;
use LucidAscent\Core\Calibration\Trials;
use LucidAscent\Core\Calibration\TrueBody;
use LucidAscent\Core\Calibration\Visit;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class TrueBodyTest extends TestCase
{
    /**
     * What a tape without error would read of somebody shows what she can do: the way there and the way back are one.
     *
     * @param array<string, float> $fixed
     */
    #[DataProvider('isolating')]
    public function testWhatIsReadWithoutErrorIsTheTruth(
        TestDefinition $test,
        string $free,
        array $fixed,
        Ability $shows,
    ): void {
        $random = new Randomizer(new Mt19937(5));
        $read = 0;
        for ($i = 0; $i < 40; ++$i) {
            $true = People::draw($random);
            foreach (Side::cases() as $side) {
                $numbers = $true->numbers($test, $side, $fixed, $free, $shows);
                if (null === $numbers) {
                    continue;
                }
                ++$read;
                $shown = ReadTest::values($test, new TakenTest($test->id, $side, Tool::Tape, [$numbers]),
                    $true->proportions->body($side), ToolErrors::usual());
                self::assertEqualsWithDelta($true->can($side, $shows), $shown[$shows->value], 1e-3);
            }
        }
        self::assertGreaterThan(30, $read);
    }

    /** @return iterable<string, array{TestDefinition, string, array<string, float>, Ability}> */
    public static function isolating(): iterable
    {
        yield 'frog' => [Definition::frog(), 'span', [], Ability::Abduction];
        yield 'shins stacked, the ankle high' => [Definition::shinsStacked(), 'kneeHeight', ['ankleHeight' => 30.0],
            Ability::ExternalRotation];
        yield 'wide legs' => [Definition::wideLegs(), 'span', [], Ability::StraightAbduction];
        yield 'an angle' => [Definition::figureFour(), 'angle', [], Ability::ExternalRotation];
    }

    /** Sitting with the soles together shows each angle as a bound, and one of them is the limit. */
    public function testSolesTogetherComeDownToOneLimit(): void
    {
        $random = new Randomizer(new Mt19937(6));
        $test = Definition::solesTogether();
        for ($i = 0; $i < 20; ++$i) {
            $true = People::draw($random);
            $numbers = $true->numbers($test, Side::Left, [], 'kneeHeight', Ability::ExternalRotation);
            if (null === $numbers) {
                continue;
            }
            $shown = ReadTest::values($test, new TakenTest($test->id, Side::Left, Tool::Tape, [$numbers]),
                $true->proportions->body(Side::Left), ToolErrors::usual());
            $left = array_map(static fn (float $value, string $name): float => $true->can(Side::Left,
                Ability::from($name)) - $value, $shown, array_keys($shown));
            self::assertGreaterThan(-0.05, min($left), 'Nothing goes further than it can.');
            // To a tenth of a centimetre of the knee, or until it lies on the floor.
            self::assertTrue(min($left) < 1.0 || $numbers['kneeHeight'] < 5.2 || $numbers['heelDistance'] > 14.5,
                json_encode([$numbers, $left], JSON_THROW_ON_ERROR));
        }
    }

    public function testTrialsErrAsTheToolIsSaidTo(): void
    {
        $random = new Randomizer(new Mt19937(7));
        foreach ([['kneeHeight' => 'cm', 0.7], ['angle' => 'degrees', 2.5], ['seconds' => 'seconds', 0.5]] as $case) {
            $sd = array_pop($case);
            $name = (string) array_key_first($case);
            $of = [];
            for ($i = 0; $i < 4000; ++$i) {
                $trials = array_column(Trials::of([$name => 40.0, 'set' => 10.0], $case, [$name => $sd], 2, $random),
                    $name);
                $of[] = ('seconds' === $name ? max($trials) : array_sum($trials) / 2) - 40.0;
            }
            self::assertEqualsWithDelta(0.0, array_sum($of) / 4000, 4 * $sd / sqrt(4000), $name);
            self::assertEqualsWithDelta($sd, sqrt(array_sum(array_map(static fn (float $x): float => $x ** 2,
                $of)) / 4000), 0.04 * $sd, $name);
        }
        self::assertSame([['kneeHeight' => 20.0]], Trials::of(['kneeHeight' => 20.0], [], [], 1, $random),
            'What is set up is as it was set up.');
    }

    public function testABodyIsMeasuredAsWellAsIsSaid(): void
    {
        $random = new Randomizer(new Mt19937(8));
        $squares = $estimated = [];
        for ($i = 0; $i < 3000; ++$i) {
            $true = People::draw($random)->proportions;
            $known = People::asMeasured($true, $random);
            foreach ([Segment::Thigh, Segment::SeatedHipHeight] as $segment) {
                $error = ($known->length($segment, Side::Left)->cm - $true->length($segment, Side::Left)
                    ->cm) / $known->error(Side::Left)->sd($segment);
                $squares[$segment->value.($known->isEstimated($segment, Side::Left) ? ' estimated' : '')][] =
                    $error ** 2;
            }
        }
        self::assertCount(4, $squares);
        foreach ($squares as $name => $of) {
            // Nobody is made further from the middle than two and a half SD, which is a little less than one SD in all.
            self::assertEqualsWithDelta(0.97, array_sum($of) / count($of), 0.09, $name);
        }
    }

    public function testAKneeThatRestsIsRaisedUntilItHangs(): void
    {
        $shins = new TestDefinition('shins-stacked', 'Shins stacked', 8, Definition::shinsStacked()->formula,
            ['rotation' => Bound::Exact], ['kneeHeight' => 'cm', 'ankleHeight' => 'cm'], [], 3.0, goesBeyond: true);
        $random = new Randomizer(new Mt19937(9));
        $bounds = [];
        for ($i = 0; $i < 200; ++$i) {
            $visit = new Visit(People::draw($random), ['shins-stacked' => $shins], ToolErrors::usual(),
                new \DateTimeImmutable('2026-03-02'), $random);
            foreach ([0, 1] as $time) {
                $all = $visit->take($shins, Side::Left, $time);
                self::assertSame($all, $visit->take($shins, Side::Left, $time), 'It reads the same of her that day.');
                if ([] === $all) {
                    continue 2;
                }
                [$taken] = $all;
                $bound = ReadTest::evidence($shins, $taken, $visit->measured->body(Side::Left),
                    ToolErrors::usual())[0]->bound;
                $bounds[$time][$bound->value] = ($bounds[$time][$bound->value] ?? 0) + 1;
            }
        }
        self::assertGreaterThan(10, $bounds[0]['at-least'] ?? 0, 'Sometimes nobody raises it at once.');
        self::assertLessThan(10, $bounds[1]['at-least'] ?? 0,
            'Asked for again it is raised; what lies within the tape of resting may be read as that.');
    }

    public function testWhatCannotBeTakenIsLaidAside(): void
    {
        $test = new TestDefinition('frog', 'Frog', 4, Definition::frog()->formula, ['abduction' => Bound::Exact],
            ['span' => 'cm'], [], 2.0);
        $true = new TrueBody(Proportions::of(Length::cm(170.0)),
            ['left' => ['abduction' => 175.0], 'right' => ['abduction' => 175.0]]);
        $visit = new Visit($true, ['frog' => $test], ToolErrors::usual(), new \DateTimeImmutable('2026-03-02'),
            new Randomizer(new Mt19937(1)));
        self::assertSame([], $visit->take($test, Side::Left));
        self::assertSame([], $visit->read([], [])->tests);
    }
}
