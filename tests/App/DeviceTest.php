<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Bench\ReadingText;
use LucidAscent\App\Device\AngleSample;
use LucidAscent\App\Device\Inclinometer;
use LucidAscent\App\Device\InclinometerLine;
use LucidAscent\App\Device\LiveAngle;
use LucidAscent\App\Device\StandIn;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DeviceTest extends TestCase
{
    public function testALineSurvivesItsWay(): void
    {
        $line = InclinometerLine::of(new AngleSample(4700, -3.25));
        self::assertSame('LA1 4700 -3.25 ', substr($line, 0, 15));
        self::assertEquals(new AngleSample(4700, -3.25), InclinometerLine::read($line));
        self::assertEquals(new AngleSample(4700, -3.25), InclinometerLine::read(rtrim($line)."\r\n"));
    }

    #[DataProvider('damaged')]
    public function testADamagedLineIsNone(string $line): void
    {
        self::assertNull(InclinometerLine::read($line));
    }

    public static function damaged(): iterable
    {
        $line = InclinometerLine::of(new AngleSample(4700, 43.94));
        yield 'empty' => [''];
        yield 'noise' => ["\x00\xff garbage"];
        yield 'a digit changed' => [str_replace('43.94', '43.95', $line)];
        yield 'cut short' => [substr($line, 0, 12)];
        yield 'another protocol' => [str_replace('LA1', 'LA2', $line)];
        yield 'too long' => [str_repeat('1', 400)];
        yield 'no angle of a leg' => [InclinometerLine::of(new AngleSample(1, 270.0))];
    }

    public function testTheStandInIsTheSameForTheSameSeedAndSettles(): void
    {
        $one = new StandIn(7, 'calm');
        $other = new StandIn(7, 'calm');
        $steady = 0;
        $device = self::device(static function () use ($one): iterable {
            for ($i = 0; $i < 140; ++$i) {
                yield InclinometerLine::read((string) $one->next());
            }
        });
        foreach (LiveAngle::events($device) as $event) {
            self::assertSame('live', $event['state']);
            $steady += null === $event['steady'] ? 0 : 1;
        }
        self::assertGreaterThan(20, $steady, 'A leg that is held for seconds is caught.');
        for ($i = 0; $i < 140; ++$i) {
            $other->next();
        }
        self::assertSame($one->next(), $other->next());
        self::assertNotSame($one->next(), (new StandIn(8, 'calm'))->next());
    }

    public function testARoughLineBreaksJumpsAndCarriesGarbage(): void
    {
        $leg = new StandIn(7, 'rough');
        $seen = ['lost' => 0, 'garbled' => 0, 'live' => 0];
        $device = self::device(static function () use ($leg): iterable {
            for ($i = 0; $i < 2000; ++$i) {
                $line = $leg->next();
                yield null === $line ? null : (InclinometerLine::read($line) ?? false);
            }
        });
        foreach (LiveAngle::events($device) as $event) {
            ++$seen[$event['state']];
        }
        self::assertGreaterThan(5, $seen['lost']);
        self::assertGreaterThan(5, $seen['garbled']);
        // Whole for six seconds of every eight, less what is damaged on its way.
        self::assertGreaterThan(1400, $seen['live']);
        self::assertLessThan(1500, $seen['live']);
    }

    #[DataProvider('typed')]
    public function testANumberIsReadAsItIsWrittenDown(
        string $typed,
        string $unit,
        string $lengths,
        ?float $value,
    ): void {
        self::assertSame($value, ReadingText::value($typed, $unit, $lengths));
    }

    public static function typed(): iterable
    {
        yield [' 12,5 ', 'cm', 'cm', 12.5];
        yield ['7 1/4', 'cm', 'in', 7.25 * 2.54];
        yield ['3/4', 'cm', 'in', 0.75 * 2.54];
        yield ['-1 1/2', 'cm', 'in', -1.5 * 2.54];
        yield ['7 1/4', 'cm', 'cm', null];
        yield ['1/0', 'cm', 'in', null];
        yield ['1,234.5', 'cm', 'cm', null];
        yield ['1e3', 'cm', 'cm', null];
        yield ['45', 'degrees', 'in', 45.0];
        yield ['', 'cm', 'cm', null];
    }

    /** @param callable(): iterable<AngleSample|false|null> $samples */
    private static function device(callable $samples): Inclinometer
    {
        return new class($samples) implements Inclinometer {
            public function __construct(private readonly mixed $samples)
            {
            }

            public function samples(): iterable
            {
                return ($this->samples)();
            }
        };
    }
}
