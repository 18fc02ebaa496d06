<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Testing;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Testing\RepeatedMeasure;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\Tool;
use PHPUnit\Framework\TestCase;

final class RepeatedMeasureTest extends TestCase
{
    public function testTheSpreadIsTheSampleStandardDeviation(): void
    {
        $measure = new RepeatedMeasure([12.0, 14.0, 16.0]);
        self::assertSame(14.0, $measure->mean());
        self::assertSame(2.0, $measure->spread());
        self::assertSame(4.0, $measure->range());
    }

    public function testTwoLuckyTrialsAreNoBetterThanTheTape(): void
    {
        self::assertSame(0.7, (new RepeatedMeasure([12.0, 12.0]))->error(0.7));
        self::assertSame(0.7, (new RepeatedMeasure([12.0]))->error(0.7));
        self::assertEqualsWithDelta(1.4142, (new RepeatedMeasure([12.0, 14.0]))->error(0.7), 1e-4);
    }

    public function testANumberThatNoTapeOrPersonGivesIsRefused(): void
    {
        foreach ([
            static fn () => (new TakenTest('soles-together', Side::Left, Tool::Tape, [['kneeHeight' => 251.0]]))
                ->check(),
            static fn () => new Pain(11, PainPlace::Knee),
        ] as $make) {
            try {
                $make();
                self::fail('A number that could not have been read was taken.');
            } catch (InvalidValue $e) {
                self::assertNotSame('', $e->field);
            }
        }
    }
}
